import { readFileSync, readdirSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { cleanPage } from './cleaning';
import { judgePage } from './page-kind';

const DEMO = new URL('../../../../demo/pages/', import.meta.url);
const EXPECTED: Readonly<Record<string, string>> = {
	'borderland-council': 'official',
	'plot-talk': 'forum',
	'reel-yard': 'video',
	rockmart: 'shop',
	'wallfacts-daily': 'thin'
};

describe('judgePage on the demo’s pages', () => {
	it.each(readdirSync(DEMO))('%s', (name) => {
		const cleaned = cleanPage(readFileSync(new URL(name, DEMO), 'utf8'));
		if (cleaned.kind !== 'cleaned') throw new Error(cleaned.reason);
		const judged = judgePage(cleaned.article, 'how to build a dry stone wall');
		const kind = EXPECTED[name.replace('.html', '')] ?? 'article';
		expect(judged.kind).toBe(kind);
		expect(judged.proposeAside).toBe(kind !== 'article');
		if (kind !== 'article') expect(judged.reasons.join()).not.toBe('');
		else expect(judged.fit).toBeGreaterThan(50);
	});

	it('keeps nothing that stands around the articles', () => {
		for (const name of readdirSync(DEMO)) {
			const cleaned = cleanPage(readFileSync(new URL(name, DEMO), 'utf8'));
			if (cleaned.kind !== 'cleaned') continue;
			const kept = JSON.stringify(cleaned.article.blocks.filter(({ dropped }) => dropped === null));
			expect(kept, name).not.toMatch(
				/cookie|newsletter|Sunday letter|Kneeling pads|Shop now|You may also like|Leave a reply|rights reserved|Boots that last/i
			);
		}
	});
});
