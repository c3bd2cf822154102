import { CustomChart, ScatterChart } from 'echarts/charts';
import { GridComponent, TooltipComponent } from 'echarts/components';
import { init, use } from 'echarts/core';
import type { CustomSeriesRenderItem } from 'echarts';
import { SVGRenderer } from 'echarts/renderers';
import { chartColours } from '../parts/chart-colours';
import type { ShapeSpread } from '$lib/core/findings';

use([CustomChart, ScatterChart, GridComponent, TooltipComponent, SVGRenderer]);

interface Measure {
	readonly label: string;
	readonly decimals: number;
	readonly spread: ShapeSpread;
	/** The value of our take; null without one. */
	readonly ours: number | null;
}

/** Draws one strip a measure, each on its own scale from nought to its most. Returns what takes it away. */
export function drawShape(
	element: HTMLElement,
	measures: readonly Measure[],
	letters: ReadonlyMap<string, string>,
	isNight: boolean
): () => void {
	const { ink, soft, rule, verdigris, copper, fontFamily, paper } = chartColours(element);
	const chart = init(element, isNight ? 'dark' : undefined, { renderer: 'svg' });
	const shown = (value: number, { decimals }: Measure) =>
		value.toLocaleString('en', { maximumFractionDigits: decimals });

	const drawBand: CustomSeriesRenderItem = (_, api) => {
		const row = api.value(2) as number;
		const [x1, y] = api.coord([api.value(0), row]) as [number, number];
		const [x2] = api.coord([api.value(1), row]) as [number, number];
		const [left] = api.coord([0, row]) as [number, number];
		const [right] = api.coord([1, row]) as [number, number];
		return {
			type: 'group',
			children: [
				{
					type: 'line',
					shape: { x1: left, y1: y, x2: right, y2: y },
					style: { stroke: rule, lineWidth: 1 }
				},
				{
					type: 'rect',
					shape: { x: x1, y: y - 5, width: Math.max(2, x2 - x1), height: 10 },
					style: { fill: verdigris, opacity: 0.28 }
				}
			]
		};
	};

	chart.setOption({
		backgroundColor: 'transparent',
		animation: false,
		textStyle: { fontFamily, color: ink },
		grid: { left: 226, right: 110, top: 10, bottom: 10 },
		tooltip: {
			backgroundColor: paper,
			borderColor: ink,
			textStyle: { color: ink }
		},
		xAxis: { type: 'value', min: 0, max: 1, show: false },
		yAxis: [
			{
				type: 'category',
				inverse: true,
				data: measures.map(({ label }) => label),
				axisLine: { show: false },
				axisTick: { show: false },
				axisLabel: { color: ink, fontSize: 12.5, margin: 44 }
			},
			{
				type: 'category',
				inverse: true,
				position: 'right',
				data: measures.map((measure) => `median ${shown(measure.spread.median, measure)}`),
				axisLine: { show: false },
				axisTick: { show: false },
				axisLabel: { color: soft, fontSize: 12 }
			}
		],
		series: [
			{
				type: 'custom',
				silent: true,
				renderItem: drawBand,
				data: measures.map((measure, i) => [
					measure.spread.lower / scale(measure),
					measure.spread.upper / scale(measure),
					i
				])
			},
			{
				type: 'scatter',
				symbolSize: 14,
				itemStyle: { color: 'transparent' },
				label: {
					show: true,
					color: ink,
					fontWeight: 600,
					fontSize: 11,
					formatter: ({ data }: { data: unknown }) => (data as { letter: string }).letter
				},
				tooltip: { formatter: ({ data }: { data: unknown }) => (data as { said: string }).said },
				data: measures.flatMap((measure, i) =>
					spotsOf(measure, letters).map(({ letters, from, to }) => ({
						value: [(from + to) / 2 / scale(measure), i],
						letter: letters,
						said: `${letters}: ${from === to ? shown(from, measure) : `${shown(from, measure)} to ${shown(to, measure)}`} ${measure.label}`
					}))
				)
			},
			{
				type: 'scatter',
				symbol: 'path://M0 0 L10 0 L5 9 Z',
				symbolSize: [11, 9],
				symbolOffset: [0, -12],
				itemStyle: { color: copper },
				tooltip: { formatter: ({ data }: { data: unknown }) => (data as { said: string }).said },
				data: measures.flatMap((measure, i) =>
					measure.ours === null
						? []
						: [
								{
									value: [Math.min(1, measure.ours / scale(measure)), i],
									said: `our take: ${shown(measure.ours, measure)} ${measure.label}`
								}
							]
				)
			}
		]
	});
	const watch = new ResizeObserver(() => chart.resize());
	watch.observe(element);
	return () => {
		watch.disconnect();
		chart.dispose();
	};
}

function scale({ spread, ours }: Measure): number {
	return Math.max(1e-9, Math.max(spread.max, ours ?? 0) * 1.04);
}

/** Pages whose values would stand on one another share a label. */
function spotsOf(
	measure: Measure,
	signs: ReadonlyMap<string, string>
): { letters: string; from: number; to: number }[] {
	const near = 0.012 * scale(measure);
	const spots: { letters: string; from: number; to: number }[] = [];
	const pages = measure.spread.pages
		.map(({ page, value }) => ({ letter: signs.get(page) ?? '', value }))
		.sort((a, b) => a.value - b.value || (a.letter < b.letter ? -1 : 1));
	for (const { letter, value } of pages) {
		const last = spots.at(-1);
		if (last && value - last.to <= near * Math.max(1, last.letters.length * 0.8)) {
			last.letters += letter;
			last.to = value;
		} else spots.push({ letters: letter, from: value, to: value });
	}
	return spots;
}
