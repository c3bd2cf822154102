/**
 * Reads a pasted or saved list of questions. Numbering, bullets, arrows, figures of a planner
 * behind them, answers that came along, repeats and lines that are not questions are left out;
 * a line that opens like a question gets its question mark.
 */
export function readQuestions(text: string): string[] {
	const found: string[] = [];
	const seen = new Set<string>();
	for (const line of text.replace(/\r\n?/g, '\n').split('\n')) {
		for (const plain of questionsIn(line)) {
			const question = plain.endsWith('?') ? plain : `${plain}?`;
			const key = question
				.toLowerCase()
				.replace(/[’‘]/g, "'")
				.replace(/[^\p{L}\p{N}']+/gu, ' ')
				.trim();
			if (seen.has(key)) continue;
			seen.add(key);
			found.push(question[0]!.toUpperCase() + question.slice(1));
		}
	}
	return found;
}

function questionsIn(line: string): string[] {
	const plain = line
		.split('\t')[0]!
		.replace(/^\s*"([^"]*)"(?:[,;].*)?$/, '$1')
		.replace(/[,;]\s*[\d.,]+\s*$/, '')
		.replace(/^[\s>#]*(?:[-*•·–—▾▼▸►›»→⌄✓]+|\(?\d{1,3}[.):]|\[[ x]\]|Q\d{0,3}[.:)])\s*/iu, '')
		.replace(/[\s*_]*[▾▼▸►›»⌄∨+→↓*_]+\s*$/u, '')
		.replace(/^[*_]+/, '')
		.replace(/\s+/g, ' ')
		.trim();
	// an answer pasted behind its question stays out; a second question does not
	const asked = [...plain.matchAll(/[^?.!]{7,199}\?/g)]
		.map(([part]) => part.trim())
		.filter(opensLikeQuestion);
	if (asked.length > 0) return asked;
	return plain.includes('?') || !opensLikeQuestion(plain) ? [] : [plain];
}

const ASKING = /^(?:who|what|when|where|why|which|how|whose)\b/i;

const VERB_FIRST =
	/^(?:can|could|do|does|did|is|are|was|were|should|shall|will|would|may|must|has|have)\s/i;
/** What follows a question word in a question; "what you need is a hammer" is none. */
const SECOND =
	/^\S+(?:'s|’s)?\s+(?:is|are|was|were|do|does|did|can|could|should|shall|will|would|may|might|must|has|have|had|to|many|much|long|deep|high|tall|wide|thick|often|far|old|big|heavy|hard|strong|soon|fast|kind|type|sort|size|stone|tools?|\w+s?\s+(?:is|are|do|does|can|should|will))\b/i;

/** A noun first, then a verb that asks: "what evidence of need do funders want", "which funders give". */
const NOUN_FIRST =
	/^(?:what|which|whose)\s+(?!(?:you|i|we|they|he|she|it|to|one|ones)\b)(?:(?:\S+\s+){1,5}?(?:do|does|did|can|should|will|would)\s+(?:i|you|we|they|it|an?|the|\p{L}+)\b|(?:goes|happens|makes|causes|counts|comes|works|helps|kills|stops)\b)|^which\s+\p{L}+s\s+(?!(?:you|i|we|they|he|she|it)\b)\p{L}+\b/iu;
/** Two things to choose from, as people search: "compressor or desiccant for laundry". */
const EITHER = /^(?:[\p{L}\p{N}'’-]+\s+){1,6}or(?:\s+[\p{L}\p{N}'’-]+){1,6}$/iu;

function opensLikeQuestion(line: string): boolean {
	if (line.length < 8 || line.length > 200) return false;
	if (line.endsWith('?')) return true;
	if (/^which (?:is|was) why\b/i.test(line)) return false;
	if (/[.!;:]$/.test(line) || line.split(' ').length > 16) return false;
	return (
		VERB_FIRST.test(line) ||
		EITHER.test(line) ||
		(ASKING.test(line) && (SECOND.test(line) || NOUN_FIRST.test(line) || /^\S+['’]s\b/.test(line)))
	);
}
