// How many headings of known containers survive cleaning: npx tsx bench/manuals.ts FOLDER [every]
// FOLDER holds pages of manuals in any depth; they are not part of the project.
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import type { Element } from 'hast';
import { cleanPage, keptBlocksOf, parseHtml, rawTextOf, tidyText } from '../src/lib/core/pages';
import { decodeBytes } from '../src/lib/core/text';

const [folder, every = '1'] = process.argv.slice(2);
if (!folder) {
	console.error('Usage: npx tsx bench/manuals.ts FOLDER [every]');
	process.exit(2);
}

const files = readdirSync(folder, { recursive: true, encoding: 'utf8' })
	.filter((file) => /\.html?$/.test(file))
	.sort()
	.filter((_, i) => i % Number(every) === 0);

/** The parts that hold the text of a manual's page, by the tools that make manuals. */
function isContainer({ tagName, properties }: Element): boolean {
	const classes = Array.isArray(properties.className) ? properties.className : [];
	return (
		properties.role === 'main' ||
		tagName === 'main' ||
		/^(?:content|page-content)$/.test(String(properties.id ?? '')) ||
		classes.some((name) => /^(?:chapter|sect1|refentry|appendix|preface)$/.test(String(name)))
	);
}

/** Texts of the headings in the first container of a page, less marks and white space. */
function headingsOf(body: Element): string[] | null {
	const container = find(body, isContainer);
	if (!container) return null;
	const found: string[] = [];
	const stack: Element[] = [container];
	while (stack.length > 0) {
		const element = stack.pop()!;
		// boxes of links beside the text
		if (/^(?:quickview|toc|menu)$/.test(String(element.properties.id ?? ''))) continue;
		if (/^h[1-6]$/.test(element.tagName)) found.push(plain(rawTextOf(element)));
		else
			for (const child of [...element.children].reverse())
				if (child.type === 'element') stack.push(child);
	}
	// lists of links, whose heading goes with them
	return found.filter((text) => text !== '' && !/^(?:see also|voir aussi)$/.test(text));
}

function find(element: Element, is: (element: Element) => boolean): Element | null {
	const queue: Element[] = [element];
	for (let next = queue.shift(); next; next = queue.shift()) {
		if (is(next)) return next;
		for (const child of next.children) if (child.type === 'element') queue.push(child);
	}
	return null;
}

function plain(text: string): string {
	return tidyText(text.replace(/[¶#§]/gu, ' ')).toLowerCase();
}

let [pages, wanted, kept, empty] = [0, 0, 0, 0];
const worst: { file: string; lost: string[] }[] = [];
for (const file of files) {
	const decoded = decodeBytes(readFileSync(join(folder, file)));
	if (decoded.kind !== 'text') continue;
	const headings = headingsOf(parseHtml(decoded.text).body);
	if (headings === null || headings.length === 0) continue;
	pages++;
	const cleaned = cleanPage(decoded.text);
	if (cleaned.kind !== 'cleaned') empty++;
	const found = new Set(
		cleaned.kind === 'cleaned'
			? keptBlocksOf(cleaned.article).flatMap((block) =>
					block.kind === 'heading' ? [plain(block.text)] : []
				)
			: []
	);
	const lost = headings.filter((text) => !found.has(text));
	wanted += headings.length;
	kept += headings.length - lost.length;
	if (lost.length > 0) worst.push({ file, lost });
}
worst.sort((a, b) => b.lost.length - a.lost.length);
for (const { file, lost } of worst.slice(0, 15))
	console.log(`  ${lost.length} lost in ${file}: ${lost.slice(0, 3).join(' / ')}`);
const times = new Map<string, number>();
for (const text of worst.flatMap(({ lost }) => lost)) times.set(text, (times.get(text) ?? 0) + 1);
const often = [...times].sort((a, b) => b[1] - a[1]).slice(0, 12);
console.log(`  lost most often: ${often.map(([text, n]) => `${text} ${n}`).join(', ')}`);
console.log(
	`${pages} pages, ${kept} of ${wanted} headings kept (${(kept / Math.max(1, wanted)).toFixed(4)}), ${empty} pages without text`
);
