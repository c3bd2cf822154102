/**
 * A sign of a text's content: 16 hexadecimal digits for the same text, others for another one. Two
 * 32-bit hashes after FNV-1a and MurmurHash3's finaliser; among 1,000 texts the chance that two
 * share a sign is below 10⁻¹³. It keeps equal things apart from unequal ones and is no protection.
 */
export function contentSign(text: string): string {
	let a = 0x811c9dc5;
	let b = 0x1b873593;
	for (let i = 0; i < text.length; i++) {
		const unit = text.charCodeAt(i);
		a = Math.imul(a ^ unit, 0x01000193);
		b = Math.imul(b ^ unit, 0x85ebca6b);
		b = (b << 13) | (b >>> 19);
	}
	return hex(mixed(a ^ text.length)) + hex(mixed(b ^ a));
}

function mixed(hash: number): number {
	let h = hash;
	h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
	h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
	return (h ^ (h >>> 16)) >>> 0;
}

function hex(hash: number): string {
	return hash.toString(16).padStart(8, '0');
}
