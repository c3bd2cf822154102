import type { Element } from 'hast';
import type { RawBlock } from './raw-block';

/** Reason of parts that are named after cookies or consent. */
export const CONSENT = 'cookie notice';

/** What a notice about cookies speaks of and an article about biscuits does not, in some languages. */
const OF_BROWSERS =
	/\b(?:web ?sites?|browsers?|consent|privacy|analytics|third part(?:y|ies)|webbplats\w*|webbläsar\w*|nettsted\w*|nettleser\w*|nettside\w*|hjemmeside\w*|webseiten?|datenschutz\w*|einwillig\w*|sites? (?:web|internet)|navigat(?:eur|ore)|consentement|confidentialité|sitios? web|navegador|consentimiento|privacidad|privacidade|siti? web|riservatezza|website\w*|toestemming|samtyk\w*|samtyck\w*)\b/iu;
/** Share of its paragraphs that speak so. */
const ASKING_SHARE = 0.3;

/** Parts named after cookies or consent that do speak of them: however long, they are not the article. */
export function consentPartsOf(blocks: readonly RawBlock[]): Set<Element> {
	const parts = new Map<Element, { all: number; asking: number }>();
	for (const { block, marks } of blocks)
		for (const { reason, element } of marks) {
			if (reason !== CONSENT || block.kind !== 'paragraph') continue;
			const part = parts.get(element) ?? { all: 0, asking: 0 };
			part.all++;
			if (OF_BROWSERS.test(block.text)) part.asking++;
			parts.set(element, part);
		}
	return new Set(
		[...parts]
			.filter(([, { all, asking }]) => asking >= 2 && asking >= ASKING_SHARE * all)
			.map(([element]) => element)
	);
}
