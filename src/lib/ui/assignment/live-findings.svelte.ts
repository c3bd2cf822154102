import type { Evidence } from '$lib/core/assignment';
import { pagesRevisionOf, revisionOf } from '$lib/core/assignment';
import type { Findings } from '$lib/core/findings';
import type { RunIndex } from '$lib/core/measure';
import type { PageStanding } from '$lib/core/standing';
import { messageOf } from '$lib/data/trouble';
import { analysis, type Analyst, type Progress } from '$lib/workers/client';

/** Findings with the evidence they were worked out from; questions about them name that evidence. */
export interface Analysed {
	readonly evidence: Evidence;
	readonly revision: string;
	readonly findings: Findings;
}

/**
 * What the worker finds in the evidence of an assignment. Findings follow every change of it;
 * standings of pages and runs for closeness are asked for. Everything belongs to a revision, so that
 * nothing old is taken for new.
 */
export class LiveFindings {
	readonly #evidence: () => Evidence | null;
	readonly #analyst: Pick<Analyst, 'findings' | 'standings' | 'runs'>;
	#analysed = $state.raw<Analysed | null>(null);
	#progress = $state.raw<Progress | null>(null);
	#standings = $state.raw<readonly PageStanding[] | null>(null);
	#standingsFor = '';
	#standingProgress = $state.raw<Progress | null>(null);
	#runs = $state.raw<RunIndex | null>(null);
	#runsFor = '';
	#trouble = $state.raw<string | null>(null);
	/** Revision that findings are being worked out for. */
	#underWay = '';
	/** Requests for findings so far; only the latest is listened to. */
	#requests = 0;

	/** Empty until the evidence is read. */
	readonly revision: string = $derived.by(() => {
		const evidence = this.#evidence();
		return evidence ? revisionOf(evidence) : '';
	});
	/** Whether the findings are those of the evidence as it stands now. */
	readonly isCurrent = $derived.by(
		() => this.#analysed !== null && this.#analysed.revision === this.revision
	);
	/** Older findings stand until the new ones come; but what held no page says nothing of pages. */
	readonly analysed: Analysed | null = $derived.by(() => {
		const known = this.#analysed;
		const saysNothing =
			!this.isCurrent && known?.evidence.pages.length === 0 && this.#evidence()?.pages.length !== 0;
		return saysNothing ? null : known;
	});
	readonly progress = $derived(this.#progress);
	readonly standings = $derived(this.#standings);
	readonly standingProgress = $derived(this.#standingProgress);
	/** Runs of eight words of the counted pages, once they were asked for. */
	readonly runs = $derived(this.#runs);
	readonly trouble = $derived(this.#trouble);

	/**
	 * @param evidence as it stands now; null until it is read. Followed by `follow`.
	 */
	constructor(
		evidence: () => Evidence | null,
		analyst: Pick<Analyst, 'findings' | 'standings' | 'runs'> = analysis
	) {
		this.#evidence = evidence;
		this.#analyst = analyst;
	}

	/** Brings the findings up to date. Call from an effect: reads what they depend on. */
	follow(): void {
		const { revision } = this;
		const evidence = this.#evidence();
		if (!evidence || revision === this.#analysed?.revision || revision === this.#underWay) return;
		void this.#find(evidence, revision);
	}

	async #find(evidence: Evidence, revision: string): Promise<void> {
		// a revision can come back while an older request for it is still on its way
		const request = ++this.#requests;
		const isLatest = () => request === this.#requests;
		this.#underWay = revision;
		try {
			const findings = await this.#analyst.findings(evidence, (progress) => {
				// the last words of a worker can arrive after its answer
				if (isLatest() && this.#underWay === revision) this.#progress = progress;
			});
			if (findings === null || !isLatest()) return;
			this.#analysed = { evidence, revision, findings };
			this.#trouble = null;
		} catch (error) {
			if (isLatest()) this.#trouble = `The evidence could not be read: ${messageOf(error)}`;
		} finally {
			if (isLatest()) {
				this.#underWay = '';
				this.#progress = null;
			}
		}
	}

	/** Works out where every counted page stands, unless that is known. Call when findings are current. */
	async findStandings(): Promise<void> {
		const analysed = this.#analysed;
		if (!analysed || analysed.revision === this.#standingsFor) return;
		const { evidence, revision } = analysed;
		this.#standingsFor = revision;
		try {
			const standings = await this.#analyst.standings(evidence, (progress) => {
				if (this.#standingsFor === revision) this.#standingProgress = progress;
			});
			if (standings !== null && this.#standingsFor === revision) this.#standings = standings;
		} catch (error) {
			if (this.#standingsFor === revision) this.#standingsFor = '';
			this.#trouble = `The pages could not be scored: ${messageOf(error)}`;
		} finally {
			if (this.#standingsFor === revision || this.#standingsFor === '')
				this.#standingProgress = null;
		}
	}

	/** Brings the runs of the counted pages up to date. Call from an effect. */
	async findRuns(): Promise<void> {
		const analysed = this.#analysed;
		if (!analysed) return;
		const wanted = pagesRevisionOf(analysed.evidence);
		if (wanted === this.#runsFor) return;
		this.#runsFor = wanted;
		try {
			const runs = await this.#analyst.runs(analysed.evidence);
			if (this.#runsFor === wanted) this.#runs = runs;
		} catch (error) {
			if (this.#runsFor === wanted) this.#runsFor = '';
			this.#trouble = `The pages could not be compared with the text: ${messageOf(error)}`;
		}
	}
}
