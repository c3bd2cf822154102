import { plainOfInlines, type ArticleBlock, type DeliveredArticle, type Inline } from './article';

/** The article as plain text: headings on lines of their own, addresses behind what leads to them. */
export function plainTextOf(article: DeliveredArticle): string {
	return `${article.blocks
		.map((block) => linesOf(block, article))
		.filter(Boolean)
		.join('\n\n')}\n`;
}

function linesOf(block: ArticleBlock, article: DeliveredArticle): string {
	switch (block.kind) {
		case 'heading': {
			const said = plainOfInlines(block.inlines).trim();
			return block.level === 1 ? `${said}\n${'='.repeat(Math.min(72, said.length))}` : said;
		}
		case 'standfirst':
		case 'paragraph':
			return inlineText(block.inlines);
		case 'list':
			return block.items
				.map((item, i) => {
					const sign = block.isOrdered ? `${i + 1}. ` : '- ';
					const lines = item.map((inner) => linesOf(inner, article)).join('\n');
					return sign + lines.split('\n').join(`\n${' '.repeat(sign.length)}`);
				})
				.join('\n');
		case 'quote':
			return block.blocks
				.map((inner) => linesOf(inner, article))
				.join('\n\n')
				.split('\n')
				.map((line) => `> ${line}`.trimEnd())
				.join('\n');
		case 'code':
			return block.text;
		case 'rule':
			return '* * *';
		case 'table':
			return block.rows
				.map((row) => row.map(({ inlines }) => inlineText(inlines).replace(/\s+/g, ' ')).join('\t'))
				.join('\n');
		case 'figure': {
			const { alt, credit, licence } = block.picture;
			const about = [plainOfInlines(block.caption), credit, licence].filter(Boolean).join(', ');
			return `[Picture: ${alt || block.picture.file}]${about === '' ? '' : `\n${about}`}`;
		}
		case 'gap':
			return `[Gap: ${block.text}]`;
		case 'contents':
			return [
				'Contents',
				...block.entries.map(({ level, text }) => `${'  '.repeat(level - 2)}- ${text}`)
			].join('\n');
		case 'takeaways':
			return ['Key takeaways', ...block.items.map((item) => `- ${item}`)].join('\n');
		case 'references':
			return [
				'References',
				...block.entries.map(
					({ number, name, address }) =>
						`${article.hasFootnotes ? `[${number}]` : `${number}.`} ${name}${address === '' ? '' : ` <${address}>`}`
				)
			].join('\n');
	}
}

function inlineText(inlines: readonly Inline[]): string {
	return inlines
		.map((inline) => {
			if (inline.kind === 'remark') return '';
			if (inline.kind === 'break') return '\n';
			if (inline.kind === 'cite') return inline.numbers.map((number) => `[${number}]`).join('');
			const isAddress = inline.href === null || inline.href === inline.text;
			return isAddress || inline.href!.startsWith('#')
				? inline.text
				: `${inline.text} <${inline.href}>`;
		})
		.join('');
}
