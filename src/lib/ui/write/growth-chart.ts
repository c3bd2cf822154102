import { LineChart } from 'echarts/charts';
import {
	GridComponent,
	LegendComponent,
	MarkLineComponent,
	TooltipComponent
} from 'echarts/components';
import { init, use } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { chartColours } from '../parts/chart-colours';
import type { TakePoint } from '$lib/data/db';

use([LineChart, GridComponent, LegendComponent, MarkLineComponent, TooltipComponent, SVGRenderer]);

/** What the lines are held against. */
export interface GrowthMarks {
	readonly targetWords: number;
	/** Standing of the best counted page; null while the pages are read. */
	readonly bestPage: number | null;
}

/** Draws words and standing over the points of a take, in their order. Returns what takes it away. */
export function drawGrowth(
	element: HTMLElement,
	points: readonly TakePoint[],
	{ targetWords, bestPage }: GrowthMarks,
	whenOf: (at: number) => string
): () => void {
	const { ink, soft, rule, verdigris, copper, fontFamily } = chartColours(element);
	const chart = init(element, undefined, { renderer: 'svg' });
	const label = { color: soft, fontSize: 11.5 };
	const axis = { axisLabel: label, axisLine: { lineStyle: { color: rule } } };
	const markLine = (value: number, name: string, color: string) => ({
		silent: true,
		symbol: 'none',
		lineStyle: { color, type: 'dashed' as const, width: 1 },
		label: { formatter: name, color, fontSize: 11, position: 'insideStartTop' as const },
		data: [{ yAxis: value }]
	});
	chart.setOption({
		animation: false,
		textStyle: { color: ink, fontFamily },
		grid: { left: 52, right: 46, top: 34, bottom: 30 },
		legend: { top: 0, left: 'center', textStyle: { color: ink }, itemWidth: 18, icon: 'roundRect' },
		tooltip: { trigger: 'axis', confine: true },
		xAxis: {
			type: 'category',
			// points are told by their order: a night between two of them is no growth
			data: points.map(({ at }) => whenOf(at)),
			boundaryGap: false,
			...axis
		},
		yAxis: [
			{
				type: 'value',
				name: 'words',
				nameTextStyle: label,
				splitLine: { lineStyle: { color: rule } },
				max: ({ max }: { max: number }) => Math.ceil(Math.max(max, targetWords) / 500) * 500,
				...axis
			},
			{
				type: 'value',
				name: 'standing',
				nameTextStyle: label,
				min: 0,
				max: 100,
				splitLine: { show: false },
				...axis
			}
		],
		series: [
			{
				name: 'Words',
				type: 'line',
				step: 'end',
				symbol: points.length > 60 ? 'none' : 'rect',
				symbolSize: 5,
				lineStyle: { color: verdigris, width: 2 },
				itemStyle: { color: verdigris },
				areaStyle: { color: verdigris, opacity: 0.12 },
				data: points.map(({ words }) => words),
				markLine: markLine(targetWords, 'words of the brief', verdigris)
			},
			{
				name: 'Standing',
				type: 'line',
				yAxisIndex: 1,
				symbol: points.length > 60 ? 'none' : 'circle',
				symbolSize: 6,
				lineStyle: { color: copper, width: 2 },
				itemStyle: { color: copper },
				data: points.map(({ standing }) => standing),
				...(bestPage === null ? {} : { markLine: markLine(bestPage, 'best page', copper) })
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
