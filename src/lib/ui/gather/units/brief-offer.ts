import type { Brief } from '$lib/core/brief';
import { lengthWishOf, type NoteUnit } from '$lib/core/notes';

/** A place in the brief that a unit of a note offers itself to. */
export interface BriefOffer {
	readonly field: 'mustNotSay' | 'mustSay' | 'tone' | 'reader' | 'purpose' | 'targetWords';
	readonly text: string;
	/** What is put there: a phrase, the unit's text, a number of words. */
	readonly value: string;
	readonly label: string;
}

const LABELS: Readonly<Record<BriefOffer['field'], string>> = {
	mustNotSay: 'Add to must not say',
	mustSay: 'Add to must say',
	tone: 'Put down as tone',
	reader: 'Put down as reader',
	purpose: 'Add to the purpose',
	targetWords: 'Put down as length'
};

/** What a unit can say in the brief; null for units that say nothing of the text. */
export function briefOfferOf({ kind, text }: NoteUnit): BriefOffer | null {
	const offer = (field: BriefOffer['field'], value: string): BriefOffer => ({
		field,
		text,
		value,
		label: LABELS[field]
	});
	if (kind === 'do-not-say') {
		const phrase = /["“]([^"”]{2,60})["”]/.exec(text)?.[1];
		return offer('mustNotSay', phrase ?? text.slice(0, 300));
	}
	if (kind !== 'brief') return null;
	const behind = text.replace(/^[^|:–-]{2,30}\s*(?:\||:|\s[–-]\s)\s*/, '');
	if (/^(?:\|?\s*)?(?:tone|voice|style)\b/i.test(text)) return offer('tone', behind.slice(0, 300));
	if (/^(?:\|?\s*)?(?:readers?|audience|who reads|who is)\b/i.test(text))
		return offer('reader', behind);
	const words = lengthWishOf(text);
	if (words !== null) return offer('targetWords', String(words));
	if (/\b(?:must (?:link|have|mention|include)|link to|mention|work in|include)\b/i.test(text))
		return offer('mustSay', behind.slice(0, 300));
	return offer('purpose', text);
}

/** Whether brief or length hold what is offered. */
export function isInBrief(offer: BriefOffer, brief: Brief, targetWords: number | null): boolean {
	const { field, value } = offer;
	if (field === 'targetWords') return targetWords === Number(value);
	const held = brief[field];
	return typeof held === 'string' ? held.includes(value) : held.includes(value);
}

/** The brief with what is offered: lists and the purpose grow, other fields are put down anew. */
export function withOffer(offer: BriefOffer, brief: Brief): Brief {
	const { field, value } = offer;
	if (field === 'targetWords') return brief;
	if (field === 'mustSay' || field === 'mustNotSay')
		return { ...brief, [field]: [...brief[field], value] };
	if (field === 'purpose')
		return { ...brief, purpose: [brief.purpose, value].filter(Boolean).join('\n') };
	return { ...brief, [field]: value };
}
