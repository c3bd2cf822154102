import { parse, type DefaultTreeAdapterMap } from 'parse5';

/*
 * Publishing by Micropub (W3C Recommendation, 23 May 2017): a site names its endpoint, says what it can
 * do, takes a post as JSON and tells where it stands. What goes over the net is behind `SiteServer`.
 */

/** A call of a site. */
export interface SiteCall {
	readonly method: 'GET' | 'POST';
	readonly address: string;
	/** Sent as a bearer; empty: none. */
	readonly token: string;
	/** A body of JSON, or a file for the media endpoint; null for neither. */
	readonly body: Readonly<Record<string, unknown>> | SiteFile | null;
}

export interface SiteFile {
	readonly name: string;
	readonly type: string;
	readonly bytes: Uint8Array;
}

export interface SiteReply {
	readonly status: number;
	readonly location: string;
	/** The `Link` header. */
	readonly link: string;
	readonly type: string;
	readonly text: string;
	/** Address that answered in the end. */
	readonly address: string;
}

export type SiteAnswer =
	| { readonly kind: 'reply'; readonly reply: SiteReply }
	/** Nothing was sent; why, in words. */
	| { readonly kind: 'not asked'; readonly reason: string }
	/** It was sent, and no answer came. */
	| { readonly kind: 'lost' };

/** What stands between a writer and sites. */
export interface SiteServer {
	ask(call: SiteCall, signal?: AbortSignal): Promise<SiteAnswer>;
}

/** What a site can do. */
export interface Site {
	readonly address: string;
	readonly endpoint: string;
	/** Empty: it takes no pictures. */
	readonly media: string;
	readonly categories: readonly string[];
}

export interface Post {
	/** Our own name for it. */
	readonly uid: string;
	readonly title: string;
	readonly summary: string;
	/** HTML; pictures in it are named by their files. */
	readonly html: string;
	readonly slug: string;
	readonly categories: readonly string[];
	readonly isDraft: boolean;
	readonly pictures: readonly SiteFile[];
}

export type Outcome<T> = ({ readonly kind: 'done' } & T) | Refused | Unsure;
interface Refused {
	readonly kind: 'refused';
	readonly reason: string;
}
/** It may stand there or not. */
interface Unsure {
	readonly kind: 'unsure';
	readonly reason: string;
}

const LOST =
	'The connection was lost after the post was sent, and the site does not tell its posts. Look there before you publish again.';
/** Posts that are looked through for one of ours. */
const LOOKED_AT = 30;

/** Finds the endpoint of a site by its links, and asks what it can do. */
export async function findSite(
	server: SiteServer,
	address: string,
	token: string,
	signal?: AbortSignal
): Promise<Outcome<{ readonly site: Site }>> {
	const home = await server.ask({ method: 'GET', address, token: '', body: null }, signal);
	if (home.kind !== 'reply') return refusalOf(home, 'the site');
	if (home.reply.status >= 400)
		return refused(`The site answered ${home.reply.status}. Is the address right?`);
	const endpoint = endpointIn(home.reply);
	if (!endpoint)
		return refused(
			'This page names no Micropub endpoint (a link with rel="micropub"). Give the address of the site’s start page.'
		);
	const config = await server.ask(
		{ method: 'GET', address: withQuery(endpoint, { q: 'config' }), token, body: null },
		signal
	);
	if (config.kind !== 'reply') return refusalOf(config, 'its endpoint');
	if (config.reply.status === 401 || config.reply.status === 403)
		return refused('The site does not take this token. Make one there that may create posts.');
	const told = jsonOf(config.reply.text);
	const media = typeof told?.['media-endpoint'] === 'string' ? told['media-endpoint'] : '';
	return {
		kind: 'done',
		site: {
			address,
			endpoint,
			media: media === '' ? '' : absolute(media, endpoint),
			categories: await categoriesOf(server, endpoint, token, told, signal)
		}
	};
}

async function categoriesOf(
	server: SiteServer,
	endpoint: string,
	token: string,
	config: Readonly<Record<string, unknown>> | null,
	signal?: AbortSignal
): Promise<string[]> {
	const listed = (value: unknown) =>
		Array.isArray(value) ? value.filter((one): one is string => typeof one === 'string') : [];
	const own = listed(config?.categories);
	if (own.length > 0) return own;
	const address = withQuery(endpoint, { q: 'category' });
	const asked = await server.ask({ method: 'GET', address, token, body: null }, signal);
	return asked.kind === 'reply' && asked.reply.status < 300
		? listed(jsonOf(asked.reply.text)?.categories)
		: [];
}

/**
 * Publishes a post: pictures first, then the post. Where an answer is lost the site is asked for a post of
 * this name, so that nothing is posted twice.
 *
 * @param wasSent whether an earlier try was sent and never answered: it is looked for before anything else
 */
export async function publish(
	server: SiteServer,
	{ endpoint, media }: Site,
	token: string,
	post: Post,
	{ wasSent = false, signal }: { readonly wasSent?: boolean; readonly signal?: AbortSignal } = {}
): Promise<Outcome<{ readonly address: string; readonly isNew: boolean; readonly left: number }>> {
	if (wasSent) {
		const there = await findPost(server, endpoint, token, post, signal);
		if (there.kind === 'found')
			return { kind: 'done', address: there.address, isNew: false, left: 0 };
		if (there.kind === 'unknown') return unsure(LOST);
	}
	const sent = await sendPictures(server, media, token, post, signal);
	if (sent.kind !== 'done') return sent;
	const properties = {
		name: [post.title],
		content: [{ html: sent.html }],
		...(post.summary === '' ? {} : { summary: [post.summary] }),
		...(post.categories.length === 0 ? {} : { category: [...post.categories] }),
		uid: [post.uid],
		'mp-slug': [post.slug],
		'post-status': [post.isDraft ? 'draft' : 'published']
	};
	const answer = await server.ask(
		{ method: 'POST', address: endpoint, token, body: { type: ['h-entry'], properties } },
		signal
	);
	if (answer.kind === 'lost') {
		const there = await findPost(server, endpoint, token, post);
		if (there.kind === 'found')
			return { kind: 'done', address: there.address, isNew: true, left: sent.left };
		return there.kind === 'missing'
			? refused('The connection was lost, and the site does not have the post. Publish it again.')
			: unsure(LOST);
	}
	if (answer.kind === 'not asked') return refused(answer.reason);
	const { status, location, text } = answer.reply;
	if (status === 201 || status === 202)
		return location === ''
			? unsure('The site took the post and did not say where it stands.')
			: { kind: 'done', address: absolute(location, endpoint), isNew: true, left: sent.left };
	return refused(reasonOf(status, text));
}

/** Brings a post up to date where it stands. */
export async function updatePost(
	server: SiteServer,
	{ endpoint, media }: Site,
	token: string,
	address: string,
	post: Post,
	signal?: AbortSignal
): Promise<Outcome<{ readonly address: string; readonly left: number }>> {
	const sent = await sendPictures(server, media, token, post, signal);
	if (sent.kind !== 'done') return sent;
	const answer = await server.ask(
		{
			method: 'POST',
			address: endpoint,
			token,
			body: {
				action: 'update',
				url: address,
				replace: {
					name: [post.title],
					content: [{ html: sent.html }],
					summary: [post.summary],
					category: [...post.categories],
					'post-status': [post.isDraft ? 'draft' : 'published']
				}
			}
		},
		signal
	);
	// the same words once more do no harm
	if (answer.kind === 'lost')
		return unsure('The connection was lost. Bring it up to date again: nothing is posted twice.');
	if (answer.kind === 'not asked') return refused(answer.reason);
	const { status, location, text } = answer.reply;
	if (status >= 200 && status < 300)
		return {
			kind: 'done',
			address: location === '' ? address : absolute(location, endpoint),
			left: sent.left
		};
	return refused(reasonOf(status, text));
}

async function sendPictures(
	server: SiteServer,
	media: string,
	token: string,
	{ html, pictures }: Post,
	signal?: AbortSignal
): Promise<Outcome<{ readonly html: string; readonly left: number }>> {
	let now = html;
	if (media === '') {
		// what cannot go along is left out, and told
		for (const { name } of pictures) now = withoutImage(now, name);
		return { kind: 'done', html: now, left: pictures.length };
	}
	for (const picture of pictures) {
		const answer = await server.ask(
			{ method: 'POST', address: media, token, body: picture },
			signal
		);
		if (answer.kind === 'lost')
			return refused(`The connection was lost while ${picture.name} was sent.`);
		if (answer.kind === 'not asked') return refused(answer.reason);
		const { status, location, text } = answer.reply;
		if (status !== 201 && status !== 202)
			return refused(`${picture.name} was not taken: ${reasonOf(status, text)}`);
		const at = absolute(location, media);
		if (location === '' || !/^https?:/.test(at))
			return refused(`The site took ${picture.name} and did not say where it stands.`);
		now = now.replaceAll(
			`src="${picture.name}"`,
			`src="${at.replace(/&/g, '&amp;').replace(/"/g, '%22')}"`
		);
	}
	return { kind: 'done', html: now, left: 0 };
}

function withoutImage(html: string, file: string): string {
	return html
		.split(/(?=<figure>)/)
		.map((part) => {
			const end = part.indexOf('</figure>');
			return part.startsWith('<figure>') && end >= 0 && part.slice(0, end).includes(`src="${file}"`)
				? part.slice(end + '</figure>'.length)
				: part;
		})
		.join('');
}

type FoundPost =
	| { readonly kind: 'found'; readonly address: string }
	| { readonly kind: 'missing' }
	| { readonly kind: 'unknown' };

/** Looks for a post of ours among the latest of a site. */
async function findPost(
	server: SiteServer,
	endpoint: string,
	token: string,
	{ uid }: Post,
	signal?: AbortSignal
): Promise<FoundPost> {
	const address = withQuery(endpoint, { q: 'source', limit: String(LOOKED_AT) });
	const answer = await server.ask({ method: 'GET', address, token, body: null }, signal);
	if (answer.kind !== 'reply' || answer.reply.status >= 300) return { kind: 'unknown' };
	const items = jsonOf(answer.reply.text)?.items;
	if (!Array.isArray(items)) return { kind: 'unknown' };
	for (const item of items as unknown[]) {
		const properties = recordOf(recordOf(item)?.properties);
		if (firstOf(properties?.uid) !== uid) continue;
		const url = firstOf(properties?.url);
		return url === '' ? { kind: 'unknown' } : { kind: 'found', address: absolute(url, endpoint) };
	}
	return { kind: 'missing' };
}

/** The Micropub endpoint that a page names: in its Link header, else in its elements. */
export function endpointIn({ link, text, address }: SiteReply): string | null {
	for (const [, target = '', rest = ''] of link.matchAll(/<([^>]*)>([^<]*)/g))
		if (/;\s*rel\s*=\s*(?:"[^"]*\bmicropub\b[^"]*"|micropub\b)/i.test(rest))
			return absolute(target, address);
	type Node = DefaultTreeAdapterMap['node'];
	const look = (node: Node): string | null => {
		if ('tagName' in node && (node.tagName === 'link' || node.tagName === 'a')) {
			const value = (name: string) => node.attrs.find((one) => one.name === name)?.value ?? '';
			if (value('rel').toLowerCase().split(/\s+/).includes('micropub') && value('href') !== '')
				return absolute(value('href'), address);
		}
		if (!('childNodes' in node)) return null;
		for (const child of node.childNodes) {
			const found = look(child);
			if (found) return found;
		}
		return null;
	};
	return look(parse(text.slice(0, 1_000_000)));
}

function reasonOf(status: number, text: string): string {
	const told = jsonOf(text);
	const said = [told?.error_description, told?.error].find(
		(one): one is string => typeof one === 'string' && one.trim() !== ''
	);
	if (status === 401) return 'The site does not know this token. Make a new one there.';
	if (status === 403)
		return `The site does not let this token do that${said ? ` (${said})` : ''}. Make one that may create and update.`;
	if (status === 429) return 'The site is busy. Wait a little and publish again.';
	return `The site answered ${status}${said ? `: ${said}` : ''}.`;
}

function refusalOf(answer: Exclude<SiteAnswer, { kind: 'reply' }>, what: string): Refused {
	return refused(answer.kind === 'lost' ? `The connection to ${what} was lost.` : answer.reason);
}

function refused(reason: string): Refused {
	return { kind: 'refused', reason };
}

function unsure(reason: string): Unsure {
	return { kind: 'unsure', reason };
}

function absolute(address: string, base: string): string {
	return URL.canParse(address, base) ? new URL(address, base).href : '';
}

function withQuery(address: string, query: Readonly<Record<string, string>>): string {
	const url = new URL(address);
	for (const [name, value] of Object.entries(query)) url.searchParams.set(name, value);
	return url.href;
}

function jsonOf(text: string): Readonly<Record<string, unknown>> | null {
	try {
		return recordOf(JSON.parse(text));
	} catch {
		return null;
	}
}

function recordOf(value: unknown): Readonly<Record<string, unknown>> | null {
	return typeof value === 'object' && value !== null && !Array.isArray(value)
		? (value as Record<string, unknown>)
		: null;
}

function firstOf(value: unknown): string {
	const one: unknown = Array.isArray(value) ? value[0] : value;
	return typeof one === 'string' ? one : '';
}
