import type { Element } from 'hast';
import type { Slip, TermState } from '../standing';
import { el, text } from './elements';

/* Drawings of a report: shape before colour, and every one has its table beside it. */

export const INK = '#1c2530';

/** A page on the scale. */
export interface StandingTick {
	readonly letter: string;
	/** 0–100; null: it is left out. */
	readonly standing: number | null;
}

/** The article among the pages, on one scale. */
export function ladderDrawing(standing: number, pages: readonly StandingTick[]): Element {
	const at = (value: number) => (20 + (660 * value) / 100).toFixed(1);
	let last = -20;
	let isRaised = false;
	const ticks = pages
		.toSorted((a, b) => a.standing! - b.standing!)
		.flatMap(({ letter, standing: value }) => {
			const x = Number(at(value!));
			isRaised = x - last < 11 ? !isRaised : false;
			last = x;
			return [
				el('line', { x1: x, x2: x, y1: 34, y2: 46, stroke: INK }),
				svgText(letter, x, isRaised ? 16 : 28, 11, 'middle')
			];
		});
	const x = at(standing);
	return el(
		'svg',
		{
			viewBox: '0 0 700 76',
			role: 'img',
			ariaLabel: `This article stands at ${Math.round(standing)} of 100; pages: ${pages.map(({ letter, standing: value }) => `${letter} ${Math.round(value!)}`).join(', ')}`
		},
		[
			el('line', { x1: 20, x2: 680, y1: 40, y2: 40, stroke: INK }),
			...ticks,
			el('path', { d: `M${x} 46l7 13h-14z`, className: ['own'] }),
			svgText(String(Math.round(standing)), Number(x), 73, 13, 'middle'),
			svgText('0', 20, 62, 10, 'middle'),
			svgText('100', 680, 62, 10, 'middle')
		]
	);
}

/** Terms and questions of each section, by their state. */
export function placementDrawing(slips: readonly Slip[]): Element {
	const row = 22;
	const most = 26;
	const height = slips.length * row + 10;
	return el(
		'svg',
		{
			viewBox: `0 0 700 ${height}`,
			role: 'img',
			ariaLabel: `Terms and questions by section: ${slips.map(({ heading, terms, questions }) => `${heading}: ${terms.filter(({ state }) => state === 'placed').length} of ${terms.length} terms, ${questions.filter(({ isAnswered }) => isAnswered).length} of ${questions.length} questions`).join('; ')}`
		},
		slips.flatMap(({ heading, terms, questions }, i): Element[] => {
			const y = i * row + 16;
			const marks = [
				...terms.slice(0, most).map(({ state }, t) => stateMark(state, 276 + t * 13, y - 4)),
				...questions.slice(0, 8).map(({ isAnswered }, q) =>
					el('rect', {
						x: 604 + q * 12,
						y: y - 8,
						width: 8,
						height: 8,
						stroke: INK,
						fill: isAnswered ? INK : 'none'
					})
				)
			];
			return [
				svgText(heading.length > 40 ? `${heading.slice(0, 39)}…` : heading, 0, y, 12, 'start'),
				...marks
			];
		})
	);
}

function stateMark(state: TermState, x: number, y: number): Element {
	const ring = { cx: x, cy: y, r: 4.5, stroke: INK, fill: 'none' };
	switch (state) {
		case 'placed':
			return el('circle', { cx: x, cy: y, r: 4.5, className: ['own'] });
		case 'absent':
			return el('circle', ring);
		case 'thin':
			return el('g', {}, [
				el('circle', ring),
				el('path', { d: `M${x} ${y - 4.5}a4.5 4.5 0 0 0 0 9z`, fill: INK })
			]);
		case 'crowded':
			return el('g', {}, [
				el('circle', { ...ring, r: 5.5 }),
				el('circle', { cx: x, cy: y, r: 3, fill: INK })
			]);
	}
}

function svgText(said: string, x: number, y: number, size: number, anchor: string): Element {
	return el('text', { x, y, fontSize: size, textAnchor: anchor, fill: INK }, [text(said)]);
}
