/**
 * Reads a pasted or saved list of questions, one on a line. Numbering, bullets, arrows,
 * repeats and lines that are not questions are left out; a line that opens like a question
 * gets its question mark.
 */
export function readQuestions(text: string): string[] {
	const found: string[] = [];
	const seen = new Set<string>();
	for (const line of text.replace(/\r\n?/g, '\n').split('\n')) {
		const plain = line
			.replace(/^\s*(?:[-*•·–—▾▼▸►›»]|\d{1,3}[.):])\s*/u, '')
			.replace(/\s*[▾▼▸►›»⌄∨+]+\s*$/u, '')
			.replace(/\s+/g, ' ')
			// an answer pasted behind its question stays out
			.replace(/^([^?]{8,180}\?).*$/, '$1')
			.trim();
		if (!opensLikeQuestion(plain)) continue;
		const question = plain.endsWith('?') ? plain : `${plain}?`;
		const key = question.toLowerCase();
		if (seen.has(key)) continue;
		seen.add(key);
		found.push(question);
	}
	return found;
}

function opensLikeQuestion(line: string): boolean {
	if (line.length < 8 || line.length > 200) return false;
	if (line.endsWith('?')) return true;
	return (
		/^(?:who|what|when|where|why|which|how|can|could|do|does|did|is|are|should|will|would|may|must)\s/i.test(
			line
		) &&
		!/[.!;:]$/.test(line) &&
		line.split(' ').length <= 16
	);
}
