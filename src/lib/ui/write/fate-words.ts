import type { KeptBackReason, LeftOutReason, NoteFate } from '$lib/core/writers';

/** Why something of the notes is not in the text, as it is said to the writer. */
export const LEFT_OUT: Readonly<Record<LeftOutReason, string>> = {
	remark: 'a remark in brackets that leans on what stood before it',
	asks: 'it asks, and says nothing',
	'nobody named': 'told as “I”, and nobody is named',
	question: 'a question',
	background: 'where and when it was noted',
	aside: 'said in passing',
	'on a page': 'a page says it in the same words',
	'no section': 'no section treats it',
	'no room': 'its section has its words',
	'said already': 'nearly the same stands there',
	open: 'not in the text yet'
};

export const KEPT_BACK: Readonly<Record<KeptBackReason, string>> = {
	'off-record': 'told off the record',
	'do-not-say': 'not to be said',
	brief: 'a wish about the text',
	todo: 'something for you to do',
	'forbidden phrase': 'holds what the brief does not want said'
};

/** What can have become of a unit, in the order in which a writer looks through it. */
export const FATE_KINDS = [
	'left out',
	'to work in',
	'used',
	'kept back'
] as const satisfies readonly NoteFate['fate']['kind'][];

export type FateKind = (typeof FATE_KINDS)[number];

export const FATE_NAMES: Readonly<Record<FateKind, string>> = {
	'left out': 'Left out',
	'to work in': 'To work in',
	used: 'In the text',
	'kept back': 'Kept out'
};

/** Under which of them a unit is listed: what by its kind is no matter of the article is kept out too. */
export function listedUnder({ fate }: NoteFate): FateKind {
	const isNoMatter =
		fate.kind === 'left out' &&
		(fate.reason === 'question' || fate.reason === 'background' || fate.reason === 'aside');
	return isNoMatter ? 'kept back' : fate.kind;
}
