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

describe('judgePage on pages of other subjects', () => {
	const judged = (title: string, ...said: string[]) => {
		const paragraphs = [...said, ...said, ...said];
		const body = paragraphs.map((text) => `<p>${text}</p>`).join('');
		const html = `<html><head><title>${title}</title></head><body><article><h1>${title}</h1>${body}</article></body></html>`;
		const cleaned = cleanPage(html);
		if (cleaned.kind !== 'cleaned') throw new Error(cleaned.reason);
		return judgePage(cleaned.article, 'how to build a dry stone wall');
	};

	it('says of a page in another language that it is', () => {
		const page = judged(
			'Un mur en pierres sèches',
			'Le mur en pierres sèches se monte sans mortier, avec des pierres posées les unes sur les autres et calées par de petits éclats. Il faut creuser une tranchée, poser les plus grosses pierres au fond, puis monter chaque assise en croisant les joints pour que rien ne bouge.',
			'Les pierres de couronnement ferment le mur et pèsent sur les deux parements. Un mur bien monté tient plus de cent ans si les fondations restent au sec.'
		);
		expect(page.proposeAside).toBe(true);
		expect(page.reasons[0]).toBe('it is not written in English');
	});

	it('proposes aside what never speaks of the subject, and counts what does under any title', () => {
		const cake =
			'Beat the butter with the sugar until it is pale, then add the eggs one at a time and fold the flour in. Bake it in the middle of the oven for half an hour, and leave it in the tin until it is cool enough to hold.';
		const off = judged('My favourite sponge', cake, cake);
		expect(off.proposeAside).toBe(true);
		expect(off.reasons).not.toContain('it is not written in English');
		const walling =
			'A wall of dry stone stands on a trench of firm soil. Lay the stone level, keep each wall face in line, and fill the middle of the wall with small stone as it rises.';
		expect(judged('What my grandfather taught me', walling, walling).proposeAside).toBe(false);
	});
});
