import { z } from 'zod';

/** Where the stand-in site stands, below the app's own origin. */
export const STAND_IN_SITE = '/stand-in-site';

/** Tokens that the site takes, and how it behaves with each. */
const SITE_TOKENS = {
	'stand-in': 'as a site should',
	'stand-in-refuses': 'refuses every post',
	'stand-in-late': 'answers late',
	'stand-in-cuts': 'takes a post and loses the connection',
	'stand-in-drops': 'loses the connection before it takes a post'
} as const;

const LATE_MS = 2500;
const LIMITS = { posts: 200, media: 100, bytes: 12_000_000 } as const;

const texts = z.array(z.string().max(500_000)).max(200);
const propertiesSchema = z.looseObject({
	name: texts.optional(),
	summary: texts.optional(),
	category: texts.optional(),
	uid: texts.optional(),
	'mp-slug': texts.optional(),
	'post-status': texts.optional(),
	content: z
		.array(z.union([z.string().max(2_000_000), z.looseObject({ html: z.string().max(2_000_000) })]))
		.max(1)
		.optional()
});
const bodySchema = z.union([
	z
		.looseObject({ type: z.array(z.literal('h-entry')).length(1), properties: propertiesSchema })
		.transform(({ properties }) => ({ create: properties, update: null })),
	z
		.looseObject({ action: z.literal('update'), url: z.string(), replace: propertiesSchema })
		.transform(({ url, replace }) => ({ create: null, update: { url, replace } }))
]);

interface StoredPost {
	readonly slug: string;
	name: string;
	summary: string;
	html: string;
	categories: readonly string[];
	uid: string;
	isDraft: boolean;
	readonly publishedAt: string;
	updatedAt: string;
}

/** The connection is lost: there is no answer to give. */
export class ConnectionLost extends Error {}

/**
 * A small site that takes posts by Micropub, keeps them as long as it runs, and shows them as pages. Some of
 * its tokens make it misbehave, for trying out what happens then.
 */
export class StandInSite {
	readonly #posts = new Map<string, StoredPost>();
	readonly #media = new Map<string, { readonly type: string; readonly bytes: Uint8Array }>();

	/**
	 * @param path below the site's own address, such as "micropub"
	 * @param home address of the site, without a slash at its end
	 * @throws ConnectionLost where it loses the connection
	 */
	async answer(request: Request, path: string, home: string): Promise<Response> {
		const [first = '', name = ''] = path.split('/').filter(Boolean);
		if (first === 'micropub') return this.#micropub(request, home);
		if (first === 'media' && request.method === 'POST') return this.#takeMedia(request, home);
		if (request.method !== 'GET')
			return refusal(405, 'invalid_request', 'Only reading is done here.');
		if (first === 'media') return this.#showMedia(name);
		if (first === 'posts') return this.#showPost(name, home);
		return first === ''
			? this.#showHome(home)
			: page(404, 'Not here', '<p>There is no such page.</p>');
	}

	async #micropub(request: Request, home: string): Promise<Response> {
		const token = tokenOf(request);
		if (!token) return refusal(401, 'unauthorized', 'The token is not known.');
		if (token === 'stand-in-late') await new Promise((done) => setTimeout(done, LATE_MS));
		if (request.method === 'GET') return this.#query(new URL(request.url), home);
		if (token === 'stand-in-refuses')
			return refusal(403, 'insufficient_scope', 'This token may not create.');
		if (token === 'stand-in-drops') throw new ConnectionLost();
		const read = bodySchema.safeParse(await request.json().catch(() => null));
		if (!read.success)
			return refusal(400, 'invalid_request', 'The body is no h-entry and no update.');
		const { create, update } = read.data;
		if (update) return this.#update(update.url, update.replace, home);
		const made = this.#create(create, home);
		if (token === 'stand-in-cuts') throw new ConnectionLost();
		return made;
	}

	#query(url: URL, home: string): Response {
		const asked = url.searchParams.get('q');
		if (asked === 'config')
			return Response.json({ 'media-endpoint': `${home}/media`, 'syndicate-to': [] });
		if (asked === 'category') return Response.json({ categories: ['how-to', 'tools', 'weekends'] });
		if (asked === 'source') {
			const wanted = url.searchParams.get('url');
			const posts = [...this.#posts.values()].reverse();
			const items = posts
				.filter(({ slug }) => wanted === null || `${home}/posts/${slug}` === wanted)
				.map((post) => ({ type: ['h-entry'], properties: propertiesOf(post, home) }));
			if (wanted === null) return Response.json({ items: items.slice(0, 30) });
			return items[0]
				? Response.json(items[0])
				: refusal(400, 'invalid_request', 'There is no post at this address.');
		}
		return refusal(400, 'invalid_request', 'This is not answered here.');
	}

	#create(properties: z.infer<typeof propertiesSchema>, home: string): Response {
		if (this.#posts.size >= LIMITS.posts)
			return refusal(507, 'full', `The site keeps ${LIMITS.posts} posts.`);
		const wanted = (properties['mp-slug']?.[0] ?? properties.name?.[0] ?? 'post')
			.toLowerCase()
			.replace(/[^a-z0-9]+/g, '-')
			.replace(/^-|-$/g, '');
		let slug = wanted || 'post';
		for (let i = 2; this.#posts.has(slug); i++) slug = `${wanted || 'post'}-${i}`;
		const now = new Date().toISOString();
		const post: StoredPost = {
			slug,
			name: '',
			summary: '',
			html: '',
			categories: [],
			uid: properties.uid?.[0] ?? '',
			isDraft: false,
			publishedAt: now,
			updatedAt: now
		};
		fill(post, properties);
		this.#posts.set(slug, post);
		return new Response(null, { status: 201, headers: { location: `${home}/posts/${slug}` } });
	}

	#update(url: string, replace: z.infer<typeof propertiesSchema>, home: string): Response {
		const post = [...this.#posts.values()].find(({ slug }) => `${home}/posts/${slug}` === url);
		if (!post) return refusal(400, 'invalid_request', 'There is no post at this address.');
		fill(post, replace);
		post.updatedAt = new Date().toISOString();
		return new Response(null, { status: 204 });
	}

	async #takeMedia(request: Request, home: string): Promise<Response> {
		const token = tokenOf(request);
		if (!token) return refusal(401, 'unauthorized', 'The token is not known.');
		if (token === 'stand-in-refuses')
			return refusal(403, 'insufficient_scope', 'This token may not create.');
		const form = await request.formData().catch(() => null);
		const file = form?.get('file');
		if (!(file instanceof File) || !/^image\/(?:png|jpeg)$/.test(file.type))
			return refusal(400, 'invalid_request', 'Send a PNG or JPEG as “file”.');
		if (file.size > LIMITS.bytes || this.#media.size >= LIMITS.media)
			return refusal(413, 'too_large', 'There is no room for this picture.');
		const name = `${this.#media.size + 1}-${file.name.replace(/[^\w.-]/g, '-')}`;
		this.#media.set(name, { type: file.type, bytes: new Uint8Array(await file.arrayBuffer()) });
		return new Response(null, { status: 201, headers: { location: `${home}/media/${name}` } });
	}

	#showMedia(name: string): Response {
		const found = this.#media.get(name);
		return found
			? new Response(found.bytes as BodyInit, {
					headers: { 'content-type': found.type, 'x-content-type-options': 'nosniff' }
				})
			: page(404, 'Not here', '<p>There is no such picture.</p>');
	}

	#showHome(home: string): Response {
		const posts = [...this.#posts.values()].reverse();
		const list = posts
			.map(
				({ slug, name, isDraft }) =>
					`<li><a href="${home}/posts/${slug}">${escaped(name || slug)}</a>${isDraft ? ' (draft)' : ''}</li>`
			)
			.join('');
		return page(
			200,
			'Stand-in site',
			`<h1>Stand-in site</h1><p>It ships with Corvan, takes posts by Micropub and keeps them while the app runs.</p>${list ? `<ul>${list}</ul>` : '<p>Nothing is posted yet.</p>'}`,
			{ endpoint: `${home}/micropub` }
		);
	}

	#showPost(slug: string, home: string): Response {
		const post = this.#posts.get(slug);
		if (!post) return page(404, 'Not here', '<p>There is no such post.</p>');
		const { name, summary, html, categories, publishedAt, updatedAt, isDraft, uid } = post;
		const tags = categories
			.map((category) => `<li class="p-category">${escaped(category)}</li>`)
			.join('');
		return page(
			200,
			name,
			`<article class="h-entry">${isDraft ? '<p>Draft</p>' : ''}<h1 class="p-name">${escaped(name)}</h1>` +
				(summary ? `<p class="p-summary">${escaped(summary)}</p>` : '') +
				`<p><a class="u-url" href="${home}/posts/${slug}"><time class="dt-published" datetime="${publishedAt}">${publishedAt.slice(0, 10)}</time></a> <data class="u-uid" value="${escaped(uid)}"></data><time class="dt-updated" datetime="${updatedAt}"></time></p>` +
				`<div class="e-content">${html}</div>${tags ? `<ul>${tags}</ul>` : ''}</article>`
		);
	}
}

function fill(post: StoredPost, properties: z.infer<typeof propertiesSchema>): void {
	const { name, summary, category, content } = properties;
	if (name) post.name = name[0] ?? '';
	if (summary) post.summary = summary[0] ?? '';
	if (category) post.categories = category;
	if (properties['post-status']) post.isDraft = properties['post-status'][0] === 'draft';
	const told = content?.[0];
	if (told !== undefined) post.html = typeof told === 'string' ? escaped(told) : told.html;
}

function propertiesOf(
	{ slug, name, summary, html, categories, uid, isDraft }: StoredPost,
	home: string
) {
	return {
		name: [name],
		summary: [summary],
		content: [{ html }],
		category: categories,
		uid: [uid],
		url: [`${home}/posts/${slug}`],
		'post-status': [isDraft ? 'draft' : 'published']
	};
}

function tokenOf(request: Request): keyof typeof SITE_TOKENS | null {
	const given = /^Bearer (\S+)$/.exec(request.headers.get('authorization') ?? '')?.[1] ?? '';
	return given in SITE_TOKENS ? (given as keyof typeof SITE_TOKENS) : null;
}

function refusal(status: number, error: string, description: string): Response {
	return Response.json({ error, error_description: description }, { status });
}

function page(
	status: number,
	title: string,
	body: string,
	{ endpoint }: { readonly endpoint?: string } = {}
): Response {
	const html = `<!DOCTYPE html><html lang="en"><head><meta charset="utf-8"><title>${escaped(title)}</title>${endpoint ? `<link rel="micropub" href="${escaped(endpoint)}">` : ''}<style>body{font:17px/1.6 Georgia,serif;max-width:42rem;margin:2rem auto;padding:0 1rem;color:#222}img{max-width:100%;height:auto}</style></head><body>${body}</body></html>`;
	return new Response(html, {
		status,
		headers: {
			'content-type': 'text/html; charset=utf-8',
			// what is posted is somebody else's markup: it runs nothing and knows nothing of the app
			'content-security-policy':
				"default-src 'none'; img-src 'self' data:; style-src 'unsafe-inline'; sandbox",
			...(endpoint ? { link: `<${endpoint}>; rel="micropub"` } : {})
		}
	});
}

function escaped(text: string): string {
	return text
		.replace(/&/g, '&amp;')
		.replace(/</g, '&lt;')
		.replace(/>/g, '&gt;')
		.replace(/"/g, '&quot;');
}

/** The one site of this server. */
export const standInSite = new StandInSite();
