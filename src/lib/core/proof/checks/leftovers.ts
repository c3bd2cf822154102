import { senseOf } from '../../measure';
import type { ArticleCheck, ArticleFinding, BlockCheck, BlockFinding, Fix } from '../mark';
import { findingIn, placedIn, sentencesIn, type PlacedSentence } from '../places';

interface Rule {
	readonly about: string;
	readonly pattern: RegExp;
	readonly reason: string;
	/** The whole sentence goes. */
	readonly isWhole?: boolean;
}

const GONE: Fix = { label: 'Take it out', replacement: '' };

/** What whoever wrote a text says about it, and what was left in it by machine or hand. */
const RULES: readonly Rule[] = [
	{
		about: 'greeting',
		pattern:
			/^(?:(?:sure|certainly|of course|absolutely|great question|understood|got it)[!,.]|here(?:['’]s| is) (?:the|your|an?|my) (?:\S+ ){0,4}(?:article|section|draft|version|text|outline|rewrite)\b|as requested\b|i(?:['’]d| would) be happy to\b|welcome to (?:this|our) (?:guide|article|post|blog)\b)/i,
		reason: 'It speaks to whoever asked for the text, not to its reader',
		isWhole: true
	},
	{
		about: 'closing',
		pattern:
			/^(?:i hope (?:this|that|you)\b.{0,60}(?:help|found|find|enjoy|useful)|hope this helps|let me know (?:if|what|how|whether)|feel free to (?:ask|reach|let me|contact me)|would you like me to|do you want me to|thanks for reading|thank you for reading|happy (?:\S+ )?(?:ing|building|writing)!)/i,
		reason: 'It takes leave of whoever asked for the text',
		isWhole: true
	},
	{
		about: 'a machine',
		pattern:
			/\b(?:as an ai\b|as a language model|my (?:training data|knowledge cut-?off)|i (?:cannot|can['’]t) (?:browse|access) )/i,
		reason: 'A machine speaks of itself here',
		isWhole: true
	},
	{
		about: 'what comes next',
		pattern:
			/\b(?:in (?:the|our|this) (?:next|following|previous|upcoming) (?:section|chapter|part)|in (?:this|the following) (?:section|chapter),? we|as (?:we|i) (?:mentioned|discussed|saw|covered) (?:above|earlier|before|in the previous)|let['’]s (?:now )?(?:dive|delve|take a (?:closer )?look|explore|move on|turn to)|now that (?:we|you)(?:['’]ve| have)? (?:covered|seen|looked|learned|learnt|understand))/i,
		reason: 'It talks about the article instead of its subject'
	},
	{
		about: 'in conclusion',
		pattern:
			/^(?:in conclusion|to conclude|in summary|to sum(?:marise|marize)? up|to summari[sz]e|to wrap (?:it |things )?up|in closing)\b,?/i,
		reason: 'It announces an end'
	},
	{
		about: 'an instruction',
		pattern:
			/\[(?:insert|add|your|todo|tbd|placeholder|link|image|source|citation|cite|name|company|product|date|number|x+|\.\.\.|…)[^\]]*\]|\{\{?[^{}]{1,60}\}\}?|<(?:insert|your)[^>]*>/i,
		reason: 'An instruction or a blank was left in'
	},
	{
		about: 'a placeholder',
		pattern: /\b(?:lorem ipsum|TODO|TBD|TKTK|TK|XXX+|FIXME)\b|\?\?\?+/,
		reason: 'A placeholder was left in'
	},
	{
		about: 'stray marks',
		pattern:
			/(?:^|\s)#{1,6}\s+\S|\*\*[^*\n]{0,80}|(?<!\w)__[^_\n]+__|```|(?:^|\s)>\s(?=\S)|\]\([^)\s]*\)|&(?:nbsp|amp|lt|gt|quot|#\d+);/,
		reason: 'Marks of Markdown or HTML were left in'
	},
	{
		about: 'a count',
		pattern:
			/^[([*_]*(?:word count|keywords?(?: used| included)?|target keywords?|secondary keywords|meta description|title tag|seo title|focus keyword|slug)\s*[:–-]/i,
		reason: 'An account of the text was left in it',
		isWhole: true
	}
];

/** Marks greetings, announcements, instructions, placeholders and stray marks. */
export const leftoverCheck: BlockCheck = {
	id: 'leftover',
	reads: 'leftovers',
	look: (block) =>
		block.kind === 'gap' || block.kind === 'codeBlock'
			? []
			: sentencesIn(block).flatMap((sentence) => leftoversIn(sentence, block.level > 0))
};

function leftoversIn(sentence: PlacedSentence, isHeading: boolean): BlockFinding[] {
	return RULES.flatMap(({ about, pattern, reason, isWhole }): BlockFinding[] => {
		const match = pattern.exec(sentence.text);
		if (!match) return [];
		// a heading may name its place: "In summary"
		if (isHeading && about === 'in conclusion') return [];
		if (isWhole) return [findingIn(sentence, { about, reason, fixes: [GONE] })];
		const lead = match[0].length - match[0].trimStart().length;
		const start = match.index + lead;
		const end = match.index + match[0].trimEnd().length;
		return [
			findingIn(sentence, { about, reason, fixes: fixesOf(about, match[0]) }, { start, end })
		];
	});
}

function fixesOf(about: string, matched: string): Fix[] {
	if (about === 'stray marks' && matched.includes('**'))
		return [{ label: 'Take the marks out', replacement: matched.replace(/\*\*/g, '').trim() }];
	return about === 'an instruction' || about === 'a placeholder' ? [GONE] : [];
}

const CONCLUSION =
	/^(?:conclusion|final thoughts|in conclusion|summary|in summary|wrapping up|the bottom line|key takeaways|takeaways|to sum up|final words)\b/i;
/** What a paragraph may end with, though no stop. */
const MAY_END = /[:;,–—-]["”’)\]]*$/;

/** Marks sentences that break off, headings with nothing under them, and endings that come twice. */
export const wholenessCheck: ArticleCheck = {
	id: 'not whole',
	reads: 'leftovers',
	look: (article) => {
		const { blocks, sections } = article;
		const found: ArticleFinding[] = [];
		for (const { block, sentence, fault } of senseOf(article).faulty) {
			if (fault !== 'not ended') continue;
			const placed = sentencesIn(blocks[block]!)[sentence]!;
			found.push(
				placedIn(
					block,
					findingIn(placed, {
						about: 'breaks off',
						reason: MAY_END.test(placed.text)
							? 'The paragraph breaks off here'
							: 'The paragraph ends without a stop',
						fixes: MAY_END.test(placed.text)
							? []
							: [{ label: 'End it with a stop', replacement: `${placed.text}.` }]
					})
				)
			);
		}
		sections.forEach(({ from, to, level }, s) => {
			const head = blocks[from];
			if (!head || level === 0) return;
			const sentence = {
				text: head.text,
				start: 0,
				words: head.words,
				stems: []
			};
			const next = sections[s + 1];
			// a heading may stand right above its own first part
			const isEmpty = to - from <= 1 || blocks.slice(from + 1, to).every(({ text }) => text === '');
			const hasGap = blocks.slice(from + 1, to).some(({ kind }) => kind === 'gap');
			if (head.text.trim() === '')
				found.push({
					about: 'empty heading',
					quote: '',
					sentence: '',
					reason: 'A heading without words',
					fixes: [],
					gain: null
				});
			else if (isEmpty && !hasGap && level > 1 && !(next && next.level > level))
				found.push(
					placedIn(
						from,
						findingIn(sentence, { about: 'empty section', reason: 'Nothing stands under it' })
					)
				);
		});
		const endings = sections.filter(({ heading }) => CONCLUSION.test(heading.trim()));
		for (const { from, heading } of endings.slice(1))
			found.push(
				placedIn(
					from,
					findingIn(
						{ text: heading, start: 0 },
						{ about: 'doubled ending', reason: `“${endings[0]!.heading}” is an ending already` }
					)
				)
			);
		return found;
	}
};
