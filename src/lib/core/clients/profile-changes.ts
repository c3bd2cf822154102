import type { ClientProfile } from './client';

/** A part of a profile that has changed, and what it reaches in the assignments that share it. */
export interface ProfileChange {
	readonly part:
		| 'name'
		| 'audience'
		| 'voice'
		| 'facts'
		| 'avoid'
		| 'brands'
		| 'colours'
		| 'logo'
		| 'forms'
		| 'requestWording'
		| 'unmarked'
		| 'quotes'
		| 'links';
	readonly summary: string;
	/** Where it is used. */
	readonly reaches: string;
}

const REACHES: Readonly<Record<ProfileChange['part'], string>> = {
	name: 'the list of assignments and every brief',
	audience: 'every brief that names no reader of its own',
	voice: 'the voice shown beside every brief',
	facts: 'findings, plans and drafts: facts are read as a note of the client',
	avoid: 'what Write marks as not to be said, and what the drafter leaves out',
	brands: 'the spelling that Write checks, and which searches count as looking for the client',
	colours: 'the head of every printed brief',
	logo: 'the head of every printed brief',
	requestWording: 'requests that are copied or sent from now on',
	unmarked: 'what Proof does not mark',
	quotes: 'quotation marks as they are typed in Write',
	forms: 'the outlines a plan can start from; plans that exist stay as they are',
	links: 'the links kept for Deliver'
};

/** What differs between two states of a profile, part by part. */
export function profileChangesOf(before: ClientProfile, after: ClientProfile): ProfileChange[] {
	const changes: ProfileChange[] = [];
	const add = (part: ProfileChange['part'], summary: string) =>
		changes.push({ part, summary, reaches: REACHES[part] });
	if (before.name !== after.name) add('name', `name: “${before.name}” becomes “${after.name}”`);
	if (before.audience !== after.audience) add('audience', 'audience reworded');
	const parts = [
		['facts', 'fact', before.facts, after.facts],
		['avoid', 'phrase to avoid', before.avoid, after.avoid],
		['voice', 'voice sample', before.voice.map(signOf), after.voice.map(signOf)],
		['brands', 'brand', before.brands.map(signOf), after.brands.map(signOf)]
	] as const;
	for (const [part, thing, was, is] of parts) {
		const added = is.filter((each) => !was.includes(each)).length;
		const gone = was.filter((each) => !is.includes(each)).length;
		const said = [
			added > 0 ? `${added} ${thing}${added === 1 ? '' : 's'} added` : '',
			gone > 0 ? `${gone} taken out` : ''
		].filter(Boolean);
		if (said.length > 0) add(part, said.join(', '));
		else if (signOf(was) !== signOf(is)) add(part, `${thing}s in another order`);
	}
	if (signOf(before.colours) !== signOf(after.colours)) add('colours', 'other colours');
	if (before.logo !== after.logo)
		add('logo', after.logo === '' ? 'logo taken out' : 'another logo');
	if (before.requestWording !== after.requestWording)
		add('requestWording', 'another wording of requests');
	if (before.quotes !== after.quotes) add('quotes', 'other quotation marks');
	if (signOf(before.forms) !== signOf(after.forms)) add('forms', 'other forms of plans');
	return changes;
}

function signOf(value: unknown): string {
	return JSON.stringify(value);
}
