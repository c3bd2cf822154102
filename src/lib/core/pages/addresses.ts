/**
 * One spelling for all addresses of a page: without scheme, `www.`, anchor, tracking values and
 * the slash at the end. Two spellings that differ are two pages.
 */
export function addressKeyOf(address: string): string {
	let url: URL;
	try {
		url = new URL(address);
	} catch {
		return '';
	}
	const values = url.search
		.slice(1)
		.split('&')
		.filter(
			(value) => value !== '' && !/^(?:utm_\w+|fbclid|gclid|ref|mc_[ce]id)(?:=|$)/i.test(value)
		)
		.sort();
	const path = url.pathname.replace(/\/(?:index\.\w{3,5})?$/i, '');
	return `${url.hostname.toLowerCase().replace(/^www\./, '')}${path}${values.length > 0 ? `?${values.join('&')}` : ''}`;
}

export interface ReadAddresses {
	readonly addresses: readonly string[];
	/** Pieces that look like addresses and are none. */
	readonly rejected: readonly string[];
}

/** Addresses in pasted text: one on a line, in columns or within sentences; repeats are left out. */
export function readAddresses(text: string): ReadAddresses {
	const addresses: string[] = [];
	const rejected: string[] = [];
	const seen = new Set<string>();
	for (const piece of text.split(/[\s"'“”‘’«»<>|,;()[\]]+/)) {
		const plain = piece.replace(/[.:!?…]+$/, '');
		if (plain === '') continue;
		const hasScheme = /^[a-z][a-z0-9+.-]*:\/\//i.test(plain);
		const isHost = /^[\p{L}\p{N}-]+(?:\.[\p{L}\p{N}-]+)*\.\p{L}{2,24}(?:[/?#:]\S*)?$/u.test(plain);
		if (!hasScheme && !isHost) continue;
		const address = hasScheme ? plain : `https://${plain}`;
		const key = addressKeyOf(address);
		if (key === '' || !/^https?:/i.test(address)) rejected.push(plain);
		else if (!seen.has(key)) {
			seen.add(key);
			addresses.push(address);
		}
	}
	return { addresses, rejected };
}
