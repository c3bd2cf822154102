import type { Findings } from '$lib/core/findings';
import { planFromTake, type TakeDoc } from '$lib/core/manuscript';
import type { Plan } from '$lib/core/plan';
import type { Take } from '$lib/data/db';
import { follow } from '$lib/data/follow';
import { planSign, readPlanOfToday, savePlanAndTakes, storePlan } from '$lib/data/takes';
import { forgetUnsaved, keepUnsaved } from '$lib/data/unsaved';
import { history, StepRefused } from '../frame/history.svelte';

/**
 * The plan of an assignment and every change of it. A change shows at once and is stored behind
 * it, so that the next one, however quickly it follows, builds on it.
 */
export class PlanKeeper {
	#plan = $state.raw<Plan | null | undefined>();
	/** Changes that show already and are not stored yet. */
	#unstored = 0;
	/** The plans that storage holds or will hold until all changes are stored. */
	#underWay: (Plan | null)[] = [];

	constructor(readonly assignment: string) {}

	/** Undefined until it is read, null when there is none. */
	get plan(): Plan | null | undefined {
		return this.#plan;
	}

	follow(tell: (message: string) => void): () => void {
		return follow(
			() => this.#read(),
			(stored) => {
				// what is on its way stands above what was stored before it
				if (this.#unstored === 0) this.#plan = stored;
			},
			tell
		);
	}

	/** Writes down what is under way when the page is left; returns what ends that. */
	watch(): () => void {
		const leave = () => {
			if (this.#unstored === 0) return;
			keepUnsaved(this.assignment, {
				kind: 'plan',
				id: this.assignment,
				plan: this.#plan ?? null,
				from: this.#underWay.map(planSign)
			});
		};
		window.addEventListener('pagehide', leave);
		return () => window.removeEventListener('pagehide', leave);
	}

	/** Stores a changed plan as a step that can be taken back. */
	async change(label: string, plan: Plan | null, { quiet = true } = {}): Promise<void> {
		const before = this.#plan ?? null;
		const after = $state.snapshot(plan) as Plan | null;
		await this.#showing(after, () =>
			history.run(
				{
					label,
					redo: () =>
						this.#turn(label, before, after, () => storePlan(this.assignment, before, after)),
					undo: () =>
						this.#turn(label, after, before, () => storePlan(this.assignment, after, before))
				},
				{ quiet }
			)
		);
	}

	/** Takes the outline of a manuscript into the plan, as a step that can be taken back. */
	async fromTake({ id }: Take, doc: TakeDoc): Promise<void> {
		const before = this.#plan;
		if (!before) return;
		const label = 'Took the manuscript’s outline into the plan';
		const taken = planFromTake(doc, before, () => `section:${crypto.randomUUID()}`);
		const store = (plan: Plan, text: TakeDoc) =>
			savePlanAndTakes(this.assignment, plan, new Map([[id, text]]));
		await this.#showing(taken.plan, () =>
			history.run({
				label,
				redo: () => this.#turn(label, before, taken.plan, () => store(taken.plan, taken.doc)),
				undo: () => this.#turn(label, taken.plan, before, () => store(before, doc))
			})
		);
	}

	/** Makes the first plan of an article that exists, from its own headings, as a step that can be taken back. */
	async ofArticle({ id }: Take, doc: TakeDoc, findings: Findings): Promise<void> {
		if (this.#plan) return;
		const label = 'Planned the article from its own headings';
		const { planOfArticle } = await import('./plan-of-article');
		const made = planOfArticle(doc, findings);
		const store = (plan: Plan | null, text: TakeDoc) =>
			savePlanAndTakes(this.assignment, plan, new Map([[id, text]]));
		await this.#showing(made.plan, () =>
			history.run({
				label,
				redo: () => this.#turn(label, null, made.plan, () => store(made.plan, made.doc)),
				undo: () => this.#turn(label, made.plan, null, () => store(null, doc))
			})
		);
	}

	/** Shows a plan while it is being stored; when that fails, what is stored shows again. */
	async #showing(plan: Plan | null, store: () => Promise<void>): Promise<void> {
		this.#underWay = [...(this.#unstored > 0 ? this.#underWay : []), this.#plan ?? null];
		this.#plan = plan;
		this.#unstored++;
		try {
			await store();
		} finally {
			this.#unstored--;
			if (this.#unstored === 0) {
				const stored = await this.#read();
				if (this.#unstored === 0) {
					this.#plan = stored;
					forgetUnsaved(this.assignment, { kind: 'plan', id: this.assignment });
				}
			}
		}
	}

	/** Turns one plan into another, unless another window has changed it since: that would be lost. */
	async #turn(
		label: string,
		from: Plan | null,
		to: Plan | null,
		store: () => Promise<void>
	): Promise<void> {
		if (planSign(await this.#read()) !== planSign(from))
			throw new StepRefused(
				`Not done, so that nothing is lost: the plan was changed in another window since “${label}”. Undo it there first, or do the step anew.`
			);
		// the newest of several quick changes shows, not the one whose turn it is
		if (this.#unstored > 0) await store();
		else await this.#showing(to, store);
	}

	#read(): Promise<Plan | null> {
		return readPlanOfToday(this.assignment);
	}
}
