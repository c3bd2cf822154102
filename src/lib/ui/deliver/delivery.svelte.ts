import { toast } from 'svelte-sonner';
import { untrack } from 'svelte';
import {
	headProposalsOf,
	htmlPageOf,
	linkOffersOf,
	makeArticle,
	openPointsOf,
	picturePlacesOf,
	referencesOf,
	scriptOf,
	standingLinksOf,
	standingPicturesOf,
	stepsOf,
	structuredDataOf,
	takeawaysOf,
	type DeliveredArticle,
	type DeliveredPicture,
	type DeliveryChoices,
	type HandOver,
	type HeadProposals,
	type OpenPoint,
	type PlacedRemark,
	type ToldSource
} from '$lib/core/deliver';
import type { Link } from '$lib/core/clients';
import { docText, type TakeDoc } from '$lib/core/manuscript';
import { isMaterial } from '$lib/core/notes';
import { slugOf, type Plan } from '$lib/core/plan';
import type { Claim } from '$lib/core/proof';
import { dialectOf } from '$lib/core/text';
import { LiveReading } from '../write/live-reading';
import { noteHandOver } from '$lib/data/assignments';
import { readLinks } from '$lib/data/clients';
import type { Picture, Take } from '$lib/data/db';
import { follow } from '$lib/data/follow';
import { messageOf } from '$lib/data/trouble';
import { localDay } from '../parts/local-day';
import { ownDialect } from '../frame/spelling';
import type { Session } from '../assignment/session.svelte';
import { ProofReading } from '../proof/proof-reading.svelte';
import { proofRulesOf } from '../proof/proof-rules';

const EMPTY: TakeDoc = { type: 'doc', content: [] };
const NO_CLAIMS: readonly Claim[] = [];

/** Everything that is handed over of one take, worked out from what stands in the browser. */
export class Delivery {
	readonly session: Session;
	readonly proof: ProofReading;
	#chosen = $state<string | null>(null);
	#links = $state.raw<readonly Link[]>([]);

	constructor(session: Session) {
		this.session = session;
		this.proof = new ProofReading(session);
	}

	readonly take: Take | undefined = $derived.by(
		() => this.session.takes.find(({ id }) => id === this.#chosen) ?? this.session.takes.at(-1)
	);
	readonly doc: TakeDoc = $derived(this.take?.doc ?? EMPTY);
	readonly plan: Plan | null = $derived.by(() => this.session.plan ?? null);
	readonly choices: DeliveryChoices = $derived.by(() => this.session.delivery);
	readonly keyword = $derived.by(() => this.session.assignment?.keyword ?? '');
	readonly slug = $derived(this.plan?.slug || slugOf(this.keyword) || 'article');
	readonly titleTag = $derived.by(
		() => this.plan?.titleTag ?? this.session.assignment?.title ?? ''
	);
	readonly description = $derived(this.plan?.description ?? '');
	readonly claims: readonly Claim[] = $derived.by(() =>
		this.proof.isRead ? this.proof.claims : NO_CLAIMS
	);
	readonly links = $derived(this.#links);

	/** Where the article will stand; empty: the writer has not said. */
	readonly address = $derived.by(() => {
		const last = this.choices.published.at(-1);
		if (last?.address) return last.address;
		const site = this.choices.site.trim();
		return site === '' ? '' : `${site.replace(/\/+$/, '')}/${this.slug}`;
	});

	/** Pages and notes that a reader may be told of; off-record notes never back a claim. */
	readonly sources: readonly ToldSource[] = $derived.by(() => [
		...this.session.notes
			.filter(isMaterial)
			.map(({ id, name }) => ({ id, name: name.replace(/\.[a-z]{2,4}$/i, ''), address: '' })),
		...this.session.counted.map(({ id, address }) => ({
			id,
			name: this.session.nameOf(id),
			address
		}))
	]);
	readonly references = $derived(
		referencesOf(
			this.doc,
			this.claims,
			this.sources.filter(({ id }) => !this.choices.untold.includes(id))
		)
	);
	/** What is said to the client beside each claim. */
	readonly remarks: readonly PlacedRemark[] = $derived.by(() =>
		this.claims.flatMap((claim): PlacedRemark[] => {
			const node = this.doc.content[claim.place.block];
			return node
				? [{ block: claim.place.block, at: claim.place.end, text: this.#said(claim) }]
				: [];
		})
	);

	#said({ backing, quote, same, other }: Claim): string {
		const name = (source: string) => this.session.nameOf(source);
		if (backing === 'backed' && same[0])
			return `“${quote}” is backed by ${name(same[0].source)}: “${same[0].text}”`;
		if (backing === 'differs' && other[0])
			return `“${quote}”: ${name(other[0].source)} says otherwise: “${other[0].text}”`;
		return `“${quote}”: no note and no page says so.`;
	}

	readonly pictures: ReadonlyMap<string, DeliveredPicture> = $derived.by(
		() => new Map(this.session.pictures.map((picture, i) => [picture.id, deliveredOf(picture, i)]))
	);

	readonly #plain: DeliveredArticle = $derived.by(() => this.#make(this.doc, []));
	readonly proposedTakeaways = $derived(takeawaysOf(this.#plain.blocks, this.keyword));
	readonly takeaways = $derived(this.choices.takeaways ?? this.proposedTakeaways);
	/** The one document that all outputs are made of. */
	readonly article: DeliveredArticle = $derived.by(() => this.#make(this.doc, this.takeaways));
	readonly isHowTo = $derived(/^how (?:to|do)\b/i.test(this.keyword));
	readonly steps = $derived(this.isHowTo ? stepsOf(this.article.blocks, this.plan) : []);

	#make(doc: TakeDoc, takeaways: readonly string[]): DeliveredArticle {
		const { session, choices } = this;
		const text = doc.content.map(docText).join('\n');
		const dialect = session.proof.dialect ?? ownDialect() ?? dialectOf(text);
		const counted = new Map(session.counted.map((page) => [page.id, page]));
		return makeArticle(doc, {
			head: {
				title: this.plan?.title ?? session.assignment?.title ?? '',
				titleTag: this.titleTag,
				description: this.description,
				slug: this.slug,
				keyword: this.keyword,
				language: dialect === 'american' ? 'en-US' : 'en-GB',
				author: choices.author,
				publisher: session.client?.name ?? '',
				publishedOn: choices.publishedOn,
				changedOn: this.take ? localDay(new Date(this.take.updatedAt)) : '',
				address: this.address
			},
			choices,
			takeaways,
			references: this.references,
			remarks: this.remarks,
			furtherReading: choices.furtherReading.flatMap((id) => {
				const page = counted.get(id);
				return page?.address ? [{ name: session.nameOf(id), address: page.address }] : [];
			}),
			pictures: this.pictures
		});
	}

	readonly data = $derived.by(() =>
		structuredDataOf(this.article, {
			kinds: this.choices.data,
			steps: this.steps,
			addressOf: (file) => (this.address === '' ? file : new URL(file, this.address).href)
		})
	);
	readonly nofollow: ReadonlySet<string> = $derived(new Set(this.choices.nofollow));
	readonly script = $derived(scriptOf(this.article, this.choices.speed));

	readonly proposals: HeadProposals | null = $derived.by(() => {
		const { findings } = this.session;
		return findings && this.take
			? headProposalsOf(this.article, {
					findings,
					plan: this.plan,
					steps: this.steps,
					pages: this.session.counted.map(({ id, article }) => ({
						id,
						title: article.titleTag || article.title
					}))
				})
			: null;
	});

	readonly offers = $derived(
		linkOffersOf(
			this.doc,
			this.links,
			this.address || `/${this.slug}`,
			new Set(this.choices.unlinked)
		)
	);
	readonly standingLinks = $derived(standingLinksOf(this.doc));
	readonly standingPictures = $derived.by(() =>
		standingPicturesOf(
			this.doc,
			new Map(this.session.pictures.map(({ id, name }) => [id, name])),
			this.keyword
		)
	);
	readonly places = $derived.by(() => {
		const { findings } = this.session;
		return this.plan && findings
			? picturePlacesOf(this.doc, this.plan, findings, this.session.counted)
			: [];
	});

	readonly open: readonly OpenPoint[] = $derived.by(() =>
		this.take
			? openPointsOf({
					doc: this.doc,
					marks: this.proof.isRead ? this.proof.open : null,
					claims: this.proof.isRead ? this.claims : null,
					head: { titleTag: this.titleTag, description: this.description },
					article: this.article,
					targetWords: this.session.assignment?.targetWords ?? 0
				})
			: []
	);

	/** The take as it reads against plan and evidence; null while those are read. */
	readonly reading = $derived.by(() => {
		const { findings, runs } = this.session;
		return findings && runs && this.plan && this.take
			? new LiveReading(findings, this.plan, runs).readDoc(this.doc)
			: null;
	});

	/** Follows the client's links; returns what ends it. */
	followLinks(client: string | null, tell: (message: string) => void): () => void {
		if (!client) {
			this.#links = [];
			return () => {};
		}
		return follow(
			() => readLinks(client),
			(links) => (this.#links = links),
			tell
		);
	}

	/** Has the take proofread. Call from an effect. */
	followProof(): void {
		const { session, doc, plan, take } = this;
		if (take && session.analysed) this.proof.follow(doc, plan, proofRulesOf(session, plan, doc));
	}

	choose(take: string): void {
		this.#chosen = take;
	}

	/** Decides something, as a step that can be taken back. */
	decide(label: string, values: Partial<DeliveryChoices>): Promise<void> {
		return this.session.decideDelivery(label, (choices) => ({ ...choices, ...values }));
	}

	setHead(
		label: string,
		values: Partial<Pick<Plan, 'title' | 'titleTag' | 'description' | 'slug'>>
	): Promise<void> {
		return this.session.setHead(label, values);
	}

	/** The whole page, pictures inside it where their addresses are given. */
	pageWith(srcOf?: (file: string) => string): string {
		return htmlPageOf(this.article, {
			data: this.data,
			nofollow: this.nofollow,
			...(srcOf ? { srcOf } : {})
		});
	}

	/** Notes what was handed over, and what was open when it went. */
	async record(form: string, address = ''): Promise<void> {
		const { take, article, open } = untrack(() => ({
			take: this.take,
			article: this.article,
			open: this.open
		}));
		if (!take) return;
		const entry: HandOver = {
			at: Date.now(),
			form,
			take: take.id,
			takeName: take.name,
			words: article.words,
			open: open.map(({ text }) => text),
			address
		};
		await noteHandOver(this.session.id, entry).catch((error: unknown) =>
			toast.error(`It went out, and is not in the history: ${messageOf(error)}`)
		);
	}
}

function deliveredOf(picture: Picture, at: number): DeliveredPicture {
	const { id, name, type, width, height, credit, licence, source } = picture;
	const ending = type === 'image/png' ? 'png' : 'jpg';
	const words = slugOf(name.replace(/\.[a-z0-9]{2,5}$/i, '')) || 'picture';
	const file = `pictures/${String(at + 1).padStart(2, '0')}-${words}.${ending}`;
	return { id, file, type, width, height, alt: '', credit, licence, source };
}
