import { toast } from 'svelte-sonner';
import type { Findings } from '$lib/core/findings';
import type { BlockNode, TakeDoc } from '$lib/core/manuscript';
import type { Plan } from '$lib/core/plan';
import {
	EndpointWriter,
	isMaterialMove,
	materialSignsOf,
	originsBySign,
	requestText,
	sectionRequestOf,
	versionsByMaterial,
	versionsOf,
	wordsOfBlocks,
	type Endpoint,
	type Move,
	type RequestSetting,
	type SectionRequest,
	type Stop,
	type Version
} from '$lib/core/writers';
import { listEndpoints } from '$lib/data/endpoints';
import { follow } from '$lib/data/follow';
import { readSetting, saveSetting } from '$lib/data/settings';
import { messageOf } from '$lib/data/trouble';
import { endpointServer } from '$lib/services/endpoints';
import { analysis } from '$lib/workers/client';
import type { Session } from '../assignment/session.svelte';
import { isContracting, voiceLineOf } from '../brief/voice-line';

/** The built-in drafter, whoever is asked by hand, or the id of an endpoint. */
export type WriterId = 'built-in' | 'by hand' | (string & {});

/** Moves that the built-in drafter can make. */
const BUILT_IN_MOVES: ReadonlySet<Move> = new Set([
	'draft',
	'another version',
	'opening',
	'closing',
	'titles'
]);
/** Moves that draft the sections of one kind. */
const DRAFTS_KIND: ReadonlySet<Move> = new Set(['opening', 'closing']);

/** What is being written. */
export interface WritingRun {
	readonly writer: string;
	/** Sections that are written, and that are asked for. */
	readonly done: number;
	readonly all: number;
	/** Heading of the section in hand. */
	readonly heading: string;
	/** Words of it that have come. */
	readonly words: number;
	/** How long a busy server asked to wait, in milliseconds; 0: nothing is waited for. */
	readonly waitingMs: number;
}

/** How a run ended. */
export interface RunEnd {
	readonly versions: readonly Version[];
	/** Sections that were not written, with why: stopped, refused. */
	readonly open: readonly string[];
	readonly reason: string;
}

const CHOSEN = 'writer';
const WORDING = 'request-wording';

/** Who writes, what is asked of them, and what is being written. One at a time. */
export class Writing {
	#endpoints = $state.raw<readonly Endpoint[]>([]);
	#writer = $state<WriterId>('built-in');
	#run = $state.raw<WritingRun | null>(null);
	/** The wording of requests where the client has none of its own. */
	#wording = $state('');
	#stop: { aborted: boolean } | null = null;
	readonly #session: Session;

	readonly endpoints = $derived(this.#endpoints);
	readonly run = $derived(this.#run);
	/** Falls back to the built-in drafter when an endpoint is gone. */
	readonly writer: WriterId = $derived.by(() =>
		this.#writer === 'built-in' ||
		this.#writer === 'by hand' ||
		this.#endpoints.some(({ id }) => id === this.#writer)
			? this.#writer
			: 'built-in'
	);
	readonly endpoint = $derived(this.#endpoints.find(({ id }) => id === this.#writer) ?? null);
	readonly writerName = $derived.by(() => this.endpoint?.name ?? this.writer);
	readonly wording = $derived.by(() => this.#session.client?.requestWording || this.#wording);

	constructor(session: Session) {
		this.#session = session;
	}

	/** Follows the endpoints and what was chosen; returns what ends it, stopping what is under way. */
	open(): () => void {
		void readSetting(CHOSEN).then((chosen) => {
			if (typeof chosen === 'string') this.#writer = chosen;
		});
		void readSetting(WORDING).then((wording) => {
			if (typeof wording === 'string') this.#wording = wording;
		});
		const end = follow(
			listEndpoints,
			(value) => (this.#endpoints = value),
			(message) => toast.error(message)
		);
		return () => {
			end();
			this.stop();
		};
	}

	choose(writer: WriterId): void {
		this.#writer = writer;
		void saveSetting(CHOSEN, writer);
	}

	/** Keeps a wording for assignments without a client, or whose client has none. */
	setWording(wording: string): void {
		this.#wording = wording;
		void saveSetting(WORDING, wording);
	}

	/** Why the writer in hand cannot make a move; empty when it can. */
	cannot(move: Move, isPassage = false): string {
		if (this.writer === 'by hand')
			return 'By hand means: copy the request, and bring the reply back.';
		if (this.writer === 'built-in' && !isMaterialMove(move, isPassage))
			if (isPassage || !BUILT_IN_MOVES.has(move))
				return `The built-in drafter lays out what you have and words nothing anew${isPassage ? ' in a passage' : ''}. Ask an endpoint, or copy the request for an assistant of yours and bring the reply back.`;
		return '';
	}

	/** Signs of notes and pages by id, as requests cite them. */
	get signs(): ReadonlyMap<string, string> {
		return new Map([...this.#session.noteSigns, ...this.#session.letters]);
	}

	requestsFor(
		sections: readonly string[],
		move: Move,
		standsOf: (section: string) => readonly BlockNode[],
		isPassage = false
	): SectionRequest[] {
		const { plan, findings, mustNotSay } = this.#session;
		if (!plan || !findings) return [];
		const wanted = new Set(sections);
		return plan.sections
			.filter(({ id }) => wanted.has(id))
			.map((section) =>
				sectionRequestOf(section, plan, findings, {
					move,
					stands: standsOf(section.id),
					isPassage,
					mustNotSay
				})
			);
	}

	/** The whole request as text; empty while the evidence is read. */
	textOf(requests: readonly SectionRequest[]): string {
		const setting = this.#setting();
		return setting ? requestText(requests, setting) : '';
	}

	#setting(): RequestSetting | null {
		const { plan, findings, assignment, client, mustNotSay } = this.#session;
		if (!plan || !findings || !assignment) return null;
		return {
			plan,
			keyword: findings.keyword,
			words: findings.targetWords,
			brief: assignment.brief,
			audience: client?.audience ?? '',
			voice: voiceLineOf(client),
			sample: client?.voice[0]?.text ?? '',
			mustNotSay,
			signs: materialSignsOf(findings, this.signs),
			wording: this.wording
		};
	}

	/**
	 * Has sections written by the writer in hand, one after the other; each is handed over as it comes.
	 *
	 * @param doc the take as it stands, for titles
	 * @param elsewhere text of the sections that are not asked for, which the built-in drafter does not say again
	 */
	async write(
		requests: readonly SectionRequest[],
		elsewhere: string,
		onVersion: (version: Version) => void,
		doc: TakeDoc | null = null
	): Promise<RunEnd | null> {
		const { plan, findings } = this.#session;
		if (this.#run || !plan || !findings || requests.length === 0) return null;
		const stop = (this.#stop = { aborted: false });
		const all = requests.length;
		const made: Version[] = [];
		this.#run = {
			writer: this.writerName,
			done: 0,
			all,
			heading: requests[0]!.heading,
			words: 0,
			waitingMs: 0
		};
		const take = (version: Version) => {
			made.push(version);
			const next = requests[made.length];
			if (this.#run)
				this.#run = {
					...this.#run,
					// one request can have several versions
					done: Math.min(all, made.length),
					heading: next?.heading ?? '',
					words: 0,
					waitingMs: 0
				};
			onVersion(version);
		};
		let trouble = '';
		try {
			if (this.endpoint)
				await this.#byEndpoint(this.endpoint, requests, plan, findings, stop, take);
			else if (requests[0]!.move === 'titles') take(await this.#titles(requests[0]!, doc));
			else if (isMaterialMove(requests[0]!.move, requests[0]!.isPassage))
				await this.#byMaterial(requests, doc, stop, take);
			else await this.#builtIn(requests, elsewhere, take);
		} catch (error) {
			trouble = messageOf(error);
		} finally {
			this.#run = null;
			this.#stop = null;
		}
		const written = new Set(
			made
				.filter(({ outcome, blocks }) => outcome.kind === 'done' && blocks.length > 0)
				.map(({ section }) => section)
		);
		const refused = made.find(({ outcome }) => outcome.kind === 'refused')?.outcome;
		return {
			versions: made,
			open: requests.filter(({ section }) => !written.has(section)).map(({ section }) => section),
			reason:
				trouble || (refused?.kind === 'refused' ? refused.reason : stop.aborted ? 'stopped' : '')
		};
	}

	stop(): void {
		if (this.#stop) this.#stop.aborted = true;
		if (this.#run) void analysis.stopDrafting();
	}

	async #byEndpoint(
		endpoint: Endpoint,
		requests: readonly SectionRequest[],
		plan: Plan,
		findings: Findings,
		stop: Stop,
		take: (version: Version) => void
	): Promise<void> {
		const writer = new EndpointWriter({
			id: endpoint.id,
			server: endpointServer(endpoint),
			plan,
			textOf: (request) => this.textOf([request]),
			originOf: originsBySign(this.signs),
			wait: waitFor,
			onProgress: (words, waitingMs) => {
				if (this.#run) this.#run = { ...this.#run, words, waitingMs };
			}
		});
		for await (const version of versionsOf(writer, requests, stop)) {
			take(version);
			// a key that is refused is refused for every section
			if (version.outcome.kind === 'refused' && version.blocks.length === 0 && !version.left)
				return;
		}
	}

	/** Moves that add what notes and text have, one section after the other. */
	async #byMaterial(
		requests: readonly SectionRequest[],
		doc: TakeDoc | null,
		stop: Stop,
		take: (version: Version) => void
	): Promise<void> {
		const { analysed, plan, findings, noteSigns, mustNotSay, assignment } = this.#session;
		if (!analysed || !plan || !findings || !doc)
			throw new Error('the evidence is still being read');
		const wishes = { mustNotSay, callToAction: assignment?.brief.callToAction ?? '' };
		const now = $state.snapshot(plan) as Plan;
		const { move } = requests[0]!;
		const fates =
			move === 'lengthen' ? await analysis.noteFates(analysed.evidence, now, wishes, doc) : [];
		const takeaways =
			move === 'takeaways'
				? (await import('../deliver/head-lines')).takeawaysIn(doc, now, findings)
				: [];
		const workIn =
			move === 'work in terms'
				? (await import('./terms-worked-in')).workerInOf(doc, now, findings)
				: undefined;
		const isShort = isContracting(this.#session.client);
		for (const request of requests) {
			if (stop.aborted) return;
			const material = { findings, noteSigns, fates, takeaways, ...(workIn ? { workIn } : {}) };
			for (const version of versionsByMaterial(request, material, isShort)) take(version);
		}
	}

	/** Titles and the like, made of the article that is there. */
	async #titles(request: SectionRequest, doc: TakeDoc | null): Promise<Version> {
		const { plan, findings, counted } = this.#session;
		if (!doc || !plan || !findings) throw new Error('the evidence is still being read');
		const { headLinesOf } = await import('../deliver/head-lines');
		const blocks = headLinesOf(doc, plan, findings, counted);
		return {
			section: request.section,
			heading: request.heading,
			writer: 'built-in',
			move: 'titles',
			blocks,
			words: wordsOfBlocks(blocks),
			sources: [],
			outcome: { kind: 'done' }
		};
	}

	async #builtIn(
		requests: readonly SectionRequest[],
		elsewhere: string,
		take: (version: Version) => void
	): Promise<void> {
		const { analysed, plan, mustNotSay, assignment } = this.#session;
		if (!analysed || !plan) throw new Error('the evidence is still being read');
		const wanted = requests.filter(({ move, kind }) => !DRAFTS_KIND.has(move) || kind === move);
		for (const { section, heading, move } of requests.filter((one) => !wanted.includes(one)))
			take({
				section,
				heading,
				writer: 'built-in',
				move,
				blocks: [],
				words: 0,
				sources: [],
				outcome: {
					kind: 'refused',
					reason: `this section is no ${move}; set what it is in the plan`
				}
			});
		if (wanted.length === 0) return;
		await analysis.draft(
			analysed.evidence,
			$state.snapshot(plan) as Plan,
			{ mustNotSay, callToAction: assignment?.brief.callToAction ?? '' },
			{ sections: wanted.map(({ section }) => section), elsewhere },
			(version) =>
				take(DRAFTS_KIND.has(wanted[0]!.move) ? { ...version, move: wanted[0]!.move } : version)
		);
	}
}

const LOOK_MS = 100;

/** Waits, looking every now and then whether a stop is asked for. */
async function waitFor(ms: number, stop: Stop): Promise<void> {
	const end = Date.now() + ms;
	while (!stop.aborted && Date.now() < end)
		await new Promise((done) => setTimeout(done, Math.min(LOOK_MS, end - Date.now())));
}
