import { z } from 'zod';
import { TERM_WEIGHTS } from './term-weight';

/** What the writer decided about one term, by its key; it holds though the evidence changes. */
const termEditSchema = z.object({
	/** Spelling, for when no page has it any more. */
	phrase: z.string().min(1).max(120),
	isStruck: z.boolean().default(false),
	/** Added by hand, whether pages use it or not. */
	isOwn: z.boolean().default(false),
	isPinned: z.boolean().default(false),
	weight: z.enum(TERM_WEIGHTS).nullable().default(null),
	/** Uses to aim at instead of what the pages say. */
	range: z
		.object({ min: z.int().min(0).max(999), max: z.int().min(0).max(999) })
		.nullable()
		.default(null),
	/** Key of the term it counts for. */
	into: z.string().nullable().default(null)
});

export type TermEdit = Readonly<z.infer<typeof termEditSchema>>;

/** Names a member of a group: a heading on its page, a wording, a figure in its sentence. */
const ref = z.string().max(600);

/** What the writer decided about groups that are made by likeness. */
const groupEditsSchema = z.object({
	/** Members that belong together whatever their likeness. */
	together: z.array(z.array(ref)).default([]),
	/** Two sets whose members are never joined. */
	apart: z.array(z.object({ one: z.array(ref), other: z.array(ref) })).default([]),
	/** Members of groups that are struck out. */
	struck: z.array(ref).default([]),
	/** Names given by hand, by members of the group. */
	named: z.array(z.object({ refs: z.array(ref), name: z.string().min(1).max(200) })).default([])
});

export type GroupEdits = Readonly<z.infer<typeof groupEditsSchema>>;

/** What the writer says of a statement that may answer a question. */
const answerEditSchema = z.object({
	/** A wording of the question, as `questionRef` names it. */
	question: ref,
	/** Id of the page or note. */
	source: z.string().max(200),
	/** The statement, as `answerRef` names it. */
	text: ref,
	isRight: z.boolean()
});

export type AnswerEdit = Readonly<z.infer<typeof answerEditSchema>>;

export const findingEditsSchema = z.object({
	terms: z.record(z.string(), termEditSchema).default({}),
	topics: groupEditsSchema.prefault({}),
	questions: groupEditsSchema.prefault({}),
	/** Questions of the writer's own. */
	ownQuestions: z.array(z.string().min(3).max(300)).default([]),
	figures: groupEditsSchema.prefault({}),
	answers: z.array(answerEditSchema).default([])
});

/** All that a writer changed about the findings of an assignment. */
export type FindingEdits = Readonly<z.infer<typeof findingEditsSchema>>;

export const NO_EDITS: FindingEdits = findingEditsSchema.parse({});

/** Changes what was decided about a term; a decision that says nothing any more goes. */
export function editTerm(
	edits: FindingEdits,
	term: { readonly key: string; readonly phrase: string },
	change: Partial<TermEdit>
): FindingEdits {
	const { [term.key]: before, ...others } = edits.terms;
	const after = { ...termEditSchema.parse({ phrase: term.phrase }), ...before, ...change };
	const isNothing =
		!after.isStruck &&
		!after.isOwn &&
		!after.isPinned &&
		after.weight === null &&
		after.range === null &&
		after.into === null;
	return { ...edits, terms: isNothing ? others : { ...others, [term.key]: after } };
}

/** Counts `variants` for `main` from now on; what counted for one of them counts for `main` as well. */
export function mergeTerms(
	edits: FindingEdits,
	main: { readonly key: string; readonly phrase: string },
	variants: readonly { readonly key: string; readonly phrase: string }[]
): FindingEdits {
	let changed = edits;
	const moved = new Set(variants.map(({ key }) => key));
	for (const [key, { into, phrase }] of Object.entries(edits.terms))
		if (into !== null && moved.has(into))
			changed = editTerm(changed, { key, phrase }, { into: main.key });
	for (const variant of variants)
		if (variant.key !== main.key) changed = editTerm(changed, variant, { into: main.key });
	return editTerm(changed, main, { into: null });
}

/** Lets what was merged into a term stand on its own again. */
export function splitTerm(edits: FindingEdits, key: string): FindingEdits {
	return Object.entries(edits.terms).reduce(
		(changed, [variant, { into, phrase }]) =>
			into === key ? editTerm(changed, { key: variant, phrase }, { into: null }) : changed,
		edits
	);
}

/** Puts the members of two groups into one. */
export function joinGroups(
	edits: GroupEdits,
	one: readonly string[],
	other: readonly string[]
): GroupEdits {
	const all = new Set([...one, ...other]);
	const touching = edits.together.filter((refs) => refs.some((member) => all.has(member)));
	const merged = [...new Set([...all, ...touching.flat()])];
	const inside = new Set(merged);
	return {
		...edits,
		together: [...edits.together.filter((refs) => !touching.includes(refs)), merged],
		// what is put together by hand is no longer kept apart by hand
		apart: edits.apart.filter(
			({ one: a, other: b }) =>
				!(a.some((member) => inside.has(member)) && b.some((member) => inside.has(member)))
		)
	};
}

/** Takes members out of their group, into one of their own. */
export function partGroup(
	edits: GroupEdits,
	out: readonly string[],
	rest: readonly string[]
): GroupEdits {
	const leaving = new Set(out);
	const staying = new Set(rest);
	const together = edits.together
		.flatMap((refs) => [
			refs.filter((member) => !leaving.has(member)),
			refs.filter((member) => leaving.has(member))
		])
		.filter((refs) => refs.length > 1);
	return {
		...edits,
		together: out.length > 1 ? [...together, [...leaving]] : together,
		apart: [...edits.apart, { one: [...leaving], other: [...staying] }]
	};
}

/** Strikes a group out, or brings it back. */
export function strikeGroup(
	edits: GroupEdits,
	refs: readonly string[],
	isStruck: boolean
): GroupEdits {
	const members = new Set(refs);
	const others = edits.struck.filter((member) => !members.has(member));
	return { ...edits, struck: isStruck ? [...others, ...refs] : others };
}

/** Gives a group a name of the writer's; an empty one takes it back. */
export function nameGroup(edits: GroupEdits, refs: readonly string[], name: string): GroupEdits {
	const members = new Set(refs);
	const others = edits.named.filter((entry) => !entry.refs.some((member) => members.has(member)));
	const plain = name.trim();
	return { ...edits, named: plain === '' ? others : [...others, { refs: [...refs], name: plain }] };
}

/** Name of a statement for decisions by hand. */
export function answerRef(text: string): string {
	return text.replace(/\s+/g, ' ').trim().slice(0, 600);
}

/**
 * Says of a statement that it answers a question, or that it does not; null takes back what was said.
 *
 * @param refs wordings of the question; kept for each, so that it holds when they are parted
 */
export function judgeAnswer(
	edits: FindingEdits,
	refs: readonly string[],
	{ source, text }: { readonly source: string; readonly text: string },
	isRight: boolean | null
): FindingEdits {
	const said = answerRef(text);
	const others = edits.answers.filter(
		(edit) => !(edit.source === source && edit.text === said && refs.includes(edit.question))
	);
	const judged = refs.map((question) => ({ question, source, text: said, isRight: isRight! }));
	return { ...edits, answers: isRight === null ? others : [...others, ...judged] };
}

/** Group edits made ready for asking. */
export interface GroupRules {
	/** Number of the set a member was put into by hand; −1 for none. */
	readonly setOf: (member: string) => number;
	readonly mayMeet: (a: string, b: string) => boolean;
	/** Whether most members of a group were struck out. */
	readonly isStruck: (refs: readonly string[]) => boolean;
	/** Name given to the group that holds most of the members it was given for; null for none. */
	readonly nameOf: (refs: readonly string[]) => string | null;
}

export function rulesOf(edits: GroupEdits): GroupRules {
	const sets = new Map<string, number>();
	edits.together.forEach((refs, i) => refs.forEach((member) => sets.set(member, i)));
	const sides = edits.apart.map(({ one, other }) => ({
		one: new Set(one),
		other: new Set(other)
	}));
	const struck = new Set(edits.struck);
	return {
		setOf: (member) => sets.get(member) ?? -1,
		mayMeet: (a, b) =>
			!sides.some(({ one, other }) => (one.has(a) && other.has(b)) || (one.has(b) && other.has(a))),
		isStruck: (refs) => {
			if (struck.size === 0) return false;
			return refs.filter((member) => struck.has(member)).length * 2 > refs.length;
		},
		nameOf: (refs) => {
			const members = new Set(refs);
			const best = edits.named
				.map((entry) => ({
					name: entry.name,
					hits: entry.refs.filter((member) => members.has(member)).length / entry.refs.length
				}))
				.sort((a, b) => b.hits - a.hits)[0];
			return best && best.hits >= 0.5 ? best.name : null;
		}
	};
}

/** Whether anything was decided by hand. */
export function hasEdits(edits: FindingEdits): boolean {
	return JSON.stringify(edits) !== JSON.stringify(NO_EDITS);
}
