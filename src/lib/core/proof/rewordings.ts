import { rewordSentence, type Way } from '../writers';
import type { Fix } from './mark';

const LABELS: Readonly<Record<Way, string>> = {
	shorter: 'In fewer words',
	split: 'In two sentences',
	active: 'With who does it first',
	turned: 'The other way round',
	contracted: 'Contracted',
	'in full': 'In full'
};

/** A sentence said again by rule, in the ways that suit what is marked; none where no rule applies. */
export function rewordingsOf(sentence: string, ways: readonly Way[]): Fix[] {
	return ways.flatMap((way): Fix[] => {
		const said = rewordSentence(sentence, way);
		return said === null ? [] : [{ label: `${LABELS[way]}: “${said}”`, replacement: said }];
	});
}
