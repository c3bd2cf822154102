import { toast } from 'svelte-sonner';
import type { BlockNode } from '$lib/core/manuscript';
import { headingOf, type Plan, type PlanSection } from '$lib/core/plan';
import type { Reply, ReplySection } from '$lib/core/writers';
import { messageOf } from '$lib/data/trouble';
import { analysis } from '$lib/workers/client';

/** A part of a reply that goes to a section. */
export interface Part {
	readonly section: string;
	readonly blocks: readonly BlockNode[];
	readonly isCutOff: boolean;
}

/** What a reply is held against; each part asked for when it is needed. */
export interface ReplyAsked {
	readonly plan: Plan;
	/** Sections that were asked for, by id. */
	readonly asked: readonly string[];
	readonly signs: ReadonlyMap<string, string>;
	/** Whether lines to choose from were asked for: all of the reply is one version then. */
	readonly isLines: boolean;
}

/** A reply that is brought back: what was typed or pasted, and to which section each part of it goes. */
export class ReplyMatch {
	readonly #asked: ReplyAsked;
	/** What stands in the field. */
	typed = $state('');
	#reply = $state.raw<Reply | null>(null);
	#isReading = $state(false);
	/** Where the writer has put a part otherwise than it was matched; empty: nowhere. */
	#moved = $state.raw<ReadonlyMap<number, string>>(new Map());
	/** Place of the part in hand; −1 for none. */
	chosen = $state(-1);

	/** The reply as it was read; null before. */
	readonly reply = $derived(this.#reply);
	readonly isReading = $derived(this.#isReading);
	readonly parts = $derived(this.#reply?.sections ?? []);
	/** Sections that were asked for. */
	readonly wanted: readonly PlanSection[] = $derived.by(() => {
		const { plan, asked } = this.#asked;
		return plan.sections.filter(({ id }) => asked.includes(id));
	});
	/** Places of parts, by the section they go to. */
	readonly #bySection: ReadonlyMap<string, readonly number[]> = $derived.by(() => {
		const found = new Map<string, number[]>();
		this.parts.forEach((_, at) => {
			const place = this.placeOf(at);
			if (place !== '') found.set(place, [...(found.get(place) ?? []), at]);
		});
		return found;
	});
	/** Ids of the sections that nothing came back for. */
	readonly lacked: readonly string[] = $derived(
		this.wanted.filter(({ id }) => !this.#bySection.has(id)).map(({ id }) => id)
	);
	readonly cutOff = $derived(this.parts.filter(({ isCutOff }) => isCutOff).length);
	readonly words = $derived(this.parts.reduce((sum, part) => sum + part.words, 0));
	/** What can be offered as versions. */
	readonly offered: readonly Part[] = $derived.by(() => {
		const [first] = this.wanted;
		if (this.#asked.isLines)
			return first && this.parts.length > 0
				? [{ section: first.id, blocks: this.parts.flatMap(withHeading), isCutOff: false }]
				: [];
		return this.wanted.flatMap(({ id }) => this.#partFor(id));
	});
	/** Parts that go nowhere. */
	readonly rest: readonly ReplySection[] = $derived(
		this.parts.filter((_, at) => this.placeOf(at) === '')
	);

	constructor(asked: ReplyAsked) {
		this.#asked = asked;
	}

	/** Id of the section that a part goes to; empty: nowhere. */
	placeOf(at: number): string {
		return this.#moved.get(at) ?? this.parts[at]?.section ?? '';
	}

	/** Whether the writer has settled where a part goes, or its heading leaves no doubt. */
	isSure(at: number): boolean {
		const { sure } = this.parts[at]!;
		return this.#moved.has(at) || (sure !== 'like' && sure !== 'by place');
	}

	has(section: string): boolean {
		return this.#bySection.has(section);
	}

	wordsFor(section: string): number {
		return (this.#bySection.get(section) ?? []).reduce((sum, at) => sum + this.parts[at]!.words, 0);
	}

	nameOf(section: PlanSection | undefined): string {
		if (!section) return '';
		return section.level === 1 ? 'Opening' : headingOf(this.#asked.plan, section);
	}

	/** Reads what came back; what cannot be read stays as it was typed. */
	async read(text: string): Promise<void> {
		this.typed = text;
		if (text.trim() === '') return;
		this.#isReading = true;
		const { plan, asked, signs } = this.#asked;
		try {
			this.#reply = await analysis.readReply(
				text,
				$state.snapshot(plan) as Plan,
				[...asked],
				new Map(signs)
			);
			this.#moved = new Map();
			this.chosen = -1;
		} catch (error) {
			toast.error(`The reply was not read: ${messageOf(error)}`);
		} finally {
			this.#isReading = false;
		}
	}

	/** Reads files as one reply; those that cannot be read are named. */
	async readFiles(files: Iterable<File>): Promise<void> {
		const texts: string[] = [];
		for (const file of files) {
			try {
				texts.push(...(await textsOf(file)));
			} catch (error) {
				toast.error(`“${file.name}” was not read: ${messageOf(error)}`);
			}
		}
		if (texts.length > 0) await this.read(texts.join('\n\n'));
	}

	/** Back to the field, with what was typed. */
	again(): void {
		this.#reply = null;
	}

	/** Puts a part to a section; empty: to none. */
	move(at: number, section: string): void {
		if (at >= 0) this.#moved = new Map(this.#moved).set(at, section);
	}

	/** Puts a part to the section before or behind, or to none. */
	shift(at: number, by: 1 | -1): void {
		const order = ['', ...this.wanted.map(({ id }) => id)];
		const now = order.indexOf(this.placeOf(at));
		this.move(at, order[(now + by + order.length) % order.length]!);
	}

	/** Two parts that go to one section stand there one after the other, with their headings. */
	#partFor(section: string): Part[] {
		const places = this.#bySection.get(section) ?? [];
		if (places.length === 0) return [];
		return [
			{
				section,
				blocks: places.flatMap((at, i) =>
					i === 0 ? this.parts[at]!.blocks : withHeading(this.parts[at]!)
				),
				isCutOff: places.some((at) => this.parts[at]!.isCutOff)
			}
		];
	}
}

function withHeading({ heading, blocks }: ReplySection): readonly BlockNode[] {
	if (heading === '') return blocks;
	return [
		{
			type: 'heading',
			attrs: { level: 3, section: null },
			content: [{ type: 'text', text: heading }]
		},
		...blocks
	];
}

async function textsOf(file: File): Promise<string[]> {
	if (/\.html?$/i.test(file.name)) return [await file.text()];
	const bytes = new Uint8Array(await file.arrayBuffer());
	return (await analysis.readFile(file.name, bytes, 'notes')).flatMap((found) => {
		if (found.kind === 'note') return [found.text];
		toast.error(
			found.kind === 'failed' || found.kind === 'skipped'
				? `“${found.name}” was not read: ${found.reason}`
				: `“${file.name}” holds no text of an article.`
		);
		return [];
	});
}
