/** Fields that the wording of a request can name, with what stands in their place. */
export const REQUEST_FIELDS = {
	what: 'what is asked for: “one section” or “4 sections”',
	title: 'title of the article',
	keyword: 'the exact keyword',
	words: 'words of the whole article',
	reader: 'who reads it',
	purpose: 'what it is for',
	form: 'guide, list, comparison or answer',
	voice: 'person, tone and reading grade',
	sample: 'a passage that shows the client’s voice',
	action: 'the call to action',
	mustSay: 'what must be said',
	mustNotSay: 'what must not be said',
	outline: 'all headings, with a mark at those that are asked for',
	sections: 'the sections that are asked for, each with its terms, questions and material'
} as const;

export type RequestField = keyof typeof REQUEST_FIELDS;

/** The wording that a request has unless a client has its own. */
export const REQUEST_WORDING = `Write {what} of the article “{title}”. It is to be found by people who search for “{keyword}”.

# The article

- Reader: {reader}
- Purpose: {purpose}
- Form: {form}
- Voice: {voice}
- Length of the whole: {words} words
- Call to action, for the closing alone: {action}
- It must say: {mustSay}
- It must not say: {mustNotSay}

This is how the client sounds:

{sample}

The outline; what is marked with → is to be written now, the rest is there so that nothing is said twice:

{outline}

# To be written

{sections}

# Rules

- Say only what stands under “Material” and “Figures of pages”, in your own words where it is a page's. Invent nothing: no figure, name, date, quotation or experience. Where the material is silent, write [missing: what is to be found out] and go on.
- Behind every statement put the sign of its source in square brackets, such as [n1.4].
- Answer the questions of a section first, then say what else belongs there. Keep to its words, a tenth more or less.
- Use each term about as often as wanted, where it reads naturally. Never list the terms, and name none more often than wanted.
- Start each section with its heading as it is given, as a Markdown heading of the level given. Add no sections.
- Write paragraphs of two to five sentences; lists, tables and numbered steps where the section is of that kind.
- No greeting, no remark about the task, no word count, no teaser of the next section, no closing formula. Markdown and nothing around it.`;

const FIELD = /\{(\w+)\}/g;

/** What is wrong with a wording, in words; empty when it can be used. */
export function wordingTroubles(wording: string): string[] {
	const named = [...wording.matchAll(FIELD)].map(([, name]) => name!);
	const unknown = [...new Set(named.filter((name) => !(name in REQUEST_FIELDS)))];
	return [
		...unknown.map((name) => `there is no field {${name}}`),
		...(named.includes('sections')
			? []
			: ['{sections} is missing, and with it what is to be written'])
	];
}

/**
 * A wording with its fields filled in. A line whose fields are all empty goes, and so does a line above
 * that ends in a colon and then leads to nothing.
 */
export function wordRequest(
	wording: string,
	values: Readonly<Partial<Record<RequestField, string>>>
): string {
	const lines: string[] = [];
	for (const line of wording.split('\n')) {
		const fields = [...line.matchAll(FIELD)].filter(([, name]) => name! in REQUEST_FIELDS);
		const isEmpty =
			fields.length > 0 && fields.every(([, name]) => !values[name as RequestField]?.trim());
		if (!isEmpty) {
			lines.push(
				line.replace(FIELD, (whole, name: string) =>
					name in REQUEST_FIELDS ? (values[name as RequestField] ?? '') : whole
				)
			);
			continue;
		}
		const above = lines.findLastIndex((one) => one.trim() !== '');
		if (line.trim() === fields[0]![0] && above >= 0 && /:\s*$/.test(lines[above]!))
			lines.splice(above);
	}
	return `${lines
		.join('\n')
		.replace(/\n{3,}/g, '\n\n')
		.trim()}\n`;
}
