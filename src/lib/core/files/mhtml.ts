import { decodeBytes } from '../text';

export type MhtmlResult =
	| { readonly kind: 'read'; readonly html: string; readonly address: string }
	| { readonly kind: 'refused'; readonly reason: string };

interface Part {
	readonly headers: ReadonlyMap<string, string>;
	readonly body: string;
}

/**
 * Takes the page out of a saved web archive (MHTML, RFC 2557): a mail-like file whose first
 * HTML part is the page; frames, styles and pictures follow it. Mail readers would join the HTML
 * of all parts, and so bring in what stands in frames.
 */
export function readMhtml(bytes: Uint8Array): MhtmlResult {
	const whole = partOf(latinOf(bytes));
	const parts = partsOf(whole, 0);
	const pages = parts.filter(({ headers }) =>
		/^(?:text\/html|application\/xhtml\+xml)\b/i.test(headers.get('content-type') ?? '')
	);
	const start = parameterOf(whole.headers.get('content-type') ?? '', 'start');
	const page =
		pages.find(({ headers }) => start !== '' && headers.get('content-id') === start) ?? pages[0];
	if (!page) return { kind: 'refused', reason: 'it is a web archive without a page in it' };
	const decoded = decodeBytes(
		bodyBytesOf(page),
		parameterOf(page.headers.get('content-type') ?? '', 'charset')
	);
	if (decoded.kind === 'binary')
		return { kind: 'refused', reason: 'the page inside the web archive cannot be read' };
	const address =
		page.headers.get('content-location') ?? whole.headers.get('snapshot-content-location') ?? '';
	return {
		kind: 'read',
		html: decoded.text,
		address: /^https?:/i.test(address) ? address : ''
	};
}

/** Whether bytes open like a mail-like file with parts. */
export function isMhtml(bytes: Uint8Array): boolean {
	const head = latinOf(bytes.subarray(0, 4_000));
	return /^(?:[\w-]+:[^\n]*\r?\n(?:[ \t][^\n]*\r?\n)*)*?content-type:\s*multipart\/related/i.test(
		head.replace(/^\s+/, '')
	);
}

/** One character a byte, so that bodies can be cut out before their charset is known. */
function latinOf(bytes: Uint8Array): string {
	let text = '';
	for (let at = 0; at < bytes.length; at += 8_192)
		text += String.fromCharCode(...bytes.subarray(at, at + 8_192));
	return text;
}

function partOf(source: string): Part {
	const end = /\r?\n\r?\n/.exec(source);
	const head = source.slice(0, end?.index ?? source.length).replace(/\r?\n[ \t]+/g, ' ');
	const headers = new Map<string, string>();
	for (const line of head.split(/\r?\n/)) {
		const at = line.indexOf(':');
		if (at > 0) headers.set(line.slice(0, at).trim().toLowerCase(), line.slice(at + 1).trim());
	}
	return { headers, body: end ? source.slice(end.index + end[0].length) : '' };
}

function partsOf(part: Part, depth: number): Part[] {
	const type = part.headers.get('content-type') ?? '';
	const boundary = parameterOf(type, 'boundary');
	if (!/^multipart\//i.test(type) || boundary === '' || depth > 4) return [part];
	return part.body
		.split(`--${boundary}`)
		.slice(1, 2_000)
		.filter((piece) => !piece.startsWith('--'))
		.flatMap((piece) => partsOf(partOf(piece.replace(/^\r?\n/, '')), depth + 1));
}

function parameterOf(header: string, name: string): string {
	const match = new RegExp(`;\\s*${name}\\s*=\\s*(?:"([^"]*)"|([^;\\s]+))`, 'i').exec(header);
	return match?.[1] ?? match?.[2] ?? '';
}

function bodyBytesOf({ headers, body }: Part): Uint8Array {
	const encoding = headers.get('content-transfer-encoding')?.toLowerCase() ?? '';
	if (encoding === 'base64') return fromBase64(body);
	const plain =
		encoding === 'quoted-printable'
			? body
					.replace(/[ \t]+(?=\r?\n)/g, '')
					.replace(/=\r?\n/g, '')
					.replace(/=([0-9a-f]{2})/gi, (_, hex: string) => String.fromCharCode(parseInt(hex, 16)))
			: body;
	return Uint8Array.from(plain, (sign) => sign.charCodeAt(0));
}

const BASE64 = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/';

function fromBase64(text: string): Uint8Array {
	const values = [...text].map((sign) => BASE64.indexOf(sign)).filter((value) => value >= 0);
	const bytes = new Uint8Array(Math.floor((values.length * 3) / 4));
	for (let i = 0, at = 0; at < bytes.length; i += 4) {
		const group =
			(values[i]! << 18) |
			((values[i + 1] ?? 0) << 12) |
			((values[i + 2] ?? 0) << 6) |
			(values[i + 3] ?? 0);
		for (const shift of [16, 8, 0]) if (at < bytes.length) bytes[at++] = (group >> shift) & 255;
	}
	return bytes;
}
