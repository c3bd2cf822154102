import { messageOf } from '$lib/data/trouble';
import { getContext, setContext } from 'svelte';
import { toast } from 'svelte-sonner';
import { EMPTY_BRIEF } from '$lib/core/brief';
import type { Findings, Topic } from '$lib/core/findings';
import {
	affinitiesOf,
	basisOf,
	changesSince,
	confinedTo,
	duplicateSection,
	fitToTarget,
	indentSection,
	mergeSection,
	moveSection,
	newSection,
	openWarnings,
	plannedWords,
	putByHand,
	removeSection,
	sectionNumbers,
	splitSection,
	topicsOf,
	warningsOf,
	wishesOf,
	withBriefTitles,
	withHeldTurned,
	withIdsOf,
	withoutThese,
	withTopics,
	type EvidenceChange,
	type Placeable,
	type Placing,
	type Plan,
	type PlanSection,
	type PlanWarning,
	type Remedy,
	type TermPlacement
} from '$lib/core/plan';
import { analysis } from '$lib/workers/client';
import type { Session } from '../assignment/session.svelte';

export function providePlanEditor(session: Session): PlanEditor {
	return setContext(PlanEditor.KEY, new PlanEditor(session));
}

export function usePlanEditor(): PlanEditor {
	return getContext(PlanEditor.KEY);
}

/** The plan that is open, and everything that is done to it; each step can be undone. */
export class PlanEditor {
	/** Under which the screen's parts find it. */
	static readonly KEY = Symbol('plan editor');

	chosen = $state<string | null>(null);
	isWorking = $state(false);
	/** What is being dragged to a section. */
	dragged = $state.raw<Placing | null>(null);
	readonly plan: Plan | null = $derived.by(() => this.session.plan);
	readonly findings: Findings | null = $derived.by(() => this.session.findings);
	readonly words: number = $derived(this.plan ? plannedWords(this.plan.sections) : 0);
	readonly #warnings: PlanWarning[] = $derived(
		this.plan && this.findings ? warningsOf(this.plan, this.findings) : []
	);
	readonly warnings: PlanWarning[] = $derived(
		this.plan ? openWarnings(this.plan, this.#warnings) : []
	);
	readonly dismissed: PlanWarning[] = $derived(
		this.#warnings.filter(({ id }) => this.plan?.dismissed[id] !== undefined)
	);
	readonly changes: EvidenceChange[] = $derived.by(() =>
		this.plan && this.findings && this.session.isCurrent
			? changesSince(this.plan, this.findings)
			: []
	);
	/** "1", "2", "2.1", "2.1.1" by section; the opening has none. */
	readonly numbers: ReadonlyMap<string, string> = $derived(
		sectionNumbers(this.plan?.sections ?? [])
	);
	readonly affinities = $derived(
		this.plan && this.findings ? affinitiesOf(this.findings, this.plan.sections) : []
	);

	constructor(readonly session: Session) {}

	async save(label: string, plan: Plan | null, quiet = true): Promise<void> {
		await this.session.changePlan(label, plan, { quiet });
	}

	change(label: string, sections: readonly PlanSection[], quiet = true): void {
		const { plan } = this;
		if (plan && sections !== plan.sections) void this.save(label, { ...plan, sections }, quiet);
	}

	changeSection(id: string, label: string, values: Partial<PlanSection>): void {
		if (!this.plan) return;
		this.change(
			label,
			this.plan.sections.map((section) => (section.id === id ? { ...section, ...values } : section))
		);
	}

	async propose(): Promise<void> {
		const { plan } = this;
		const { analysed } = this.session;
		if (!analysed) return;
		const brief = this.session.assignment?.brief ?? EMPTY_BRIEF;
		await this.#work(async () => {
			const wishes = wishesOf(brief);
			const proposed = plan
				? await analysis.proposeAgain(analysed.evidence, $state.snapshot(plan) as Plan, wishes)
				: await analysis.propose(analysed.evidence, wishes);
			await this.save(
				plan ? 'Proposed the plan again' : 'Proposed a plan',
				withBriefTitles(proposed, brief),
				plan === null
			);
		});
	}

	async placeRest(): Promise<void> {
		const { plan } = this;
		const { analysed } = this.session;
		if (!analysed || !plan) return;
		await this.#work(async () =>
			this.save(
				'Placed the rest',
				await analysis.placeRest(analysed.evidence, $state.snapshot(plan) as Plan),
				false
			)
		);
	}

	/** Starts from an outline of another origin and places the evidence into it. */
	async startFrom(label: string, outline: Plan): Promise<void> {
		const { analysed } = this.session;
		if (!analysed) return;
		await this.#work(async () => {
			// manuscripts stay with the sections that treat the same
			const sections = this.plan
				? withIdsOf(outline.sections, this.plan.sections, newSectionId)
				: outline.sections;
			const placed = await analysis.placeRest(
				analysed.evidence,
				$state.snapshot({ ...outline, sections }) as Plan
			);
			const brief = this.session.assignment?.brief ?? EMPTY_BRIEF;
			await this.save(label, withBriefTitles(placed, brief), this.plan === null);
		});
	}

	async #work(run: () => Promise<void>): Promise<void> {
		this.isWorking = true;
		try {
			await run();
		} catch (error) {
			toast.error(`No plan could be made: ${messageOf(error)}`);
		} finally {
			this.isWorking = false;
		}
	}

	addSection(): void {
		if (!this.plan) return;
		const section = newSection(newSectionId(), 'A new section', 100);
		const at = this.plan.sections.findIndex(({ id }) => id === this.chosen);
		this.change(
			'Added a section',
			this.plan.sections.toSpliced(at < 0 ? this.plan.sections.length : at + 1, 0, section)
		);
		this.chosen = section.id;
	}

	/** Takes topics into the outline, each where pages usually treat it. */
	takeTopics(topics: readonly Topic[]): void {
		const { plan, findings } = this;
		if (!plan || !findings || topics.length === 0) return;
		const { sections, added } = withTopics(plan.sections, topics, findings, newSectionId);
		this.chosen = added.at(-1) ?? this.chosen;
		this.change(
			topics.length === 1
				? `Took “${topics[0]!.label}” into the outline`
				: `Took ${topics.length} topics into the outline`,
			sections
		);
	}

	fit(): void {
		if (this.plan && this.findings)
			this.change(
				'Fitted the budgets to the target',
				fitToTarget(this.plan.sections, this.findings.targetWords)
			);
	}

	move(id: string, by: -1 | 1): void {
		if (this.plan) this.change('Moved a section', moveSection(this.plan.sections, id, by));
	}

	indent(id: string, by: -1 | 1): void {
		if (this.plan)
			this.change(
				by > 0 ? 'Put a section inside the one above' : 'Brought a section out',
				indentSection(this.plan.sections, id, by)
			);
	}

	merge(id: string): void {
		if (!this.plan) return;
		const at = this.plan.sections.findIndex((section) => section.id === id);
		const into = this.plan.sections[at - 1];
		this.change(
			`Merged “${this.headingOf(id)}” into “${into?.heading ?? ''}”`,
			mergeSection(this.plan.sections, id),
			false
		);
		this.chosen = into?.id ?? null;
	}

	split(id: string): void {
		if (this.plan)
			this.change(
				`Split “${this.headingOf(id)}”`,
				splitSection(this.plan.sections, id, newSectionId()),
				false
			);
	}

	duplicate(id: string): void {
		if (this.plan)
			this.change(
				`Duplicated “${this.headingOf(id)}”`,
				duplicateSection(this.plan.sections, id, newSectionId())
			);
	}

	remove(id: string): void {
		if (this.plan)
			this.change(
				`Took “${this.headingOf(id)}” out of the outline`,
				removeSection(this.plan.sections, id),
				false
			);
	}

	toggleLock(id: string): void {
		const section = this.plan?.sections.find((one) => one.id === id);
		if (section)
			this.changeSection(id, section.locked ? 'Unlocked a section' : 'Locked a section', {
				locked: !section.locked
			});
	}

	headingOf(id: string): string {
		const section = this.plan?.sections.find((one) => one.id === id);
		return !section ? '' : section.level === 1 ? 'the opening' : section.heading;
	}

	/** Puts things into a section by hand, where they stay; they leave the section they came from. */
	put(placing: Placing, into: string): void {
		const { plan, findings } = this;
		const { kind, ids, from } = placing;
		if (!plan || !findings || ids.length === 0 || from === into) return;
		const name = ids.length === 1 ? `“${this.nameOf(kind, ids[0]!)}”` : `${ids.length} ${kind}s`;
		this.change(
			`${from ? 'Moved' : 'Placed'} ${name} ${from ? 'to' : 'in'} “${this.headingOf(into)}”`,
			putByHand(plan.sections, placing, into, findings, this.affinities)
		);
	}

	takeOut(kind: Placeable, id: string, from: string): void {
		if (!this.plan) return;
		this.change(
			`Took “${this.nameOf(kind, id)}” out of “${this.headingOf(from)}”`,
			this.plan.sections.map((section) =>
				section.id === from ? withoutThese(section, kind, new Set([id])) : section
			)
		);
	}

	changeTerm(section: string, term: string, label: string, values: Partial<TermPlacement>): void {
		const found = this.plan?.sections.find(({ id }) => id === section);
		if (found)
			this.changeSection(section, label, {
				terms: found.terms.map((placed) =>
					placed.term === term ? { ...placed, ...values } : placed
				)
			});
	}

	/** Lets placing again move a question, fact or note, or keeps it from doing so. */
	toggleHeld(section: string, kind: Exclude<Placeable, 'term'>, id: string): void {
		const found = this.plan?.sections.find((one) => one.id === section);
		if (!found) return;
		this.changeSection(section, 'Locked or unlocked a placement', withHeldTurned(found, kind, id));
	}

	/** A section that does not take a term any more. */
	refuse(section: string, term: string): void {
		const found = this.plan?.sections.find(({ id }) => id === section);
		if (!found) return;
		this.changeSection(
			section,
			`Kept “${this.nameOf('term', term)}” out of “${this.headingOf(section)}”`,
			{
				terms: found.terms.filter((placed) => placed.term !== term),
				refused: [...found.refused, term]
			}
		);
	}

	/** Keeps a term to one section, or lets it stand anywhere again. */
	confine(term: string, section: string | null): void {
		const { plan } = this;
		if (!plan) return;
		const confined = confinedTo(plan, term, section);
		if (confined === plan) return;
		const name = `“${this.nameOf('term', term)}”`;
		void this.save(
			section === null
				? `${name} may stand anywhere`
				: `${name} stands in “${this.headingOf(section)}” only`,
			confined
		);
	}

	/** Does what would give an unplaced term its place. */
	async remedy(remedy: Remedy): Promise<void> {
		const { plan, findings } = this;
		if (!plan || !findings) return;
		if (remedy.kind === 'section') {
			const topic = findings.topics.find(({ id }) => id === remedy.topic);
			if (topic) this.takeTopics([topic]);
		} else {
			const section = plan.sections.find(({ id }) => id === remedy.section);
			if (section)
				this.changeSection(section.id, `Gave “${section.heading}” ${remedy.words} more words`, {
					budget: section.budget + remedy.words
				});
		}
	}

	mend({ remedy, text }: PlanWarning): void {
		if (this.plan && remedy) void this.save(`Mended: ${text}`, remedy.change(this.plan));
	}

	dismiss(warning: PlanWarning, reason: string): void {
		if (!this.plan) return;
		void this.save('Set a warning aside', {
			...this.plan,
			dismissed: { ...this.plan.dismissed, [warning.id]: reason.trim() || 'no reason given' }
		});
	}

	restore(warning: PlanWarning): void {
		if (!this.plan) return;
		const { [warning.id]: _, ...dismissed } = this.plan.dismissed;
		void this.save('Brought a warning back', { ...this.plan, dismissed });
	}

	/** The evidence as it is now counts as known; nothing of the plan changes. */
	acceptEvidence(): void {
		if (this.plan && this.findings)
			void this.save('Left the plan as it is', { ...this.plan, basis: basisOf(this.findings) });
	}

	topicsOf(section: PlanSection): Topic[] {
		return this.findings ? topicsOf(section, this.findings) : [];
	}

	nameOf(kind: Placeable, id: string): string {
		const found = this.findings;
		const name =
			kind === 'term'
				? found?.terms.find(({ key }) => key === id)?.phrase
				: kind === 'question'
					? found?.questions.find((one) => one.id === id)?.text
					: kind === 'fact'
						? found?.facts.find((one) => one.id === id)?.text
						: found?.notePassages.find((one) => one.id === id)?.text;
		const text = name ?? id;
		return text.length > 60 ? `${text.slice(0, 57).trimEnd()} …` : text;
	}
}

function newSectionId(): string {
	return `section:${crypto.randomUUID()}`;
}
