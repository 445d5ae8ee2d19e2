import type { EChartsCoreOption } from 'echarts/core';
import type { ConfigurationAnswer } from '$core/bench';
import { voltAmpAxes } from './axes';
import type { Ink } from './ink';

/** The curve of a mix, where it stands on it, and where the quick rule would have it. */
export function configurationOption(
	{ curve, voltage, current, quick, openVoltage, shortCurrent }: ConfigurationAnswer,
	look: Ink
): EChartsCoreOption {
	const label = (words: string, color: string, position: 'top' | 'bottom') => ({
		show: true,
		position,
		formatter: words,
		color,
		fontFamily: look.font,
		fontSize: 14,
		fontWeight: 600
	});
	return {
		animation: false,
		...voltAmpAxes(
			look,
			Math.max(openVoltage, quick.volts, voltage, 1),
			Math.max(shortCurrent, quick.amps, 0.1)
		),
		series: [
			{
				type: 'line',
				silent: true,
				showSymbol: false,
				data: curve.voltage.map((v, i) => [v, curve.current[i]!]),
				lineStyle: { color: look.accent, width: look.stroke * 2.2 }
			},
			{
				type: 'scatter',
				silent: true,
				symbol: 'diamond',
				symbolSize: 13,
				data: [[quick.volts, quick.amps]],
				itemStyle: { color: look.sheet, borderColor: look.soft, borderWidth: 2 },
				label: label('quick rule', look.soft, 'top')
			},
			{
				type: 'scatter',
				silent: true,
				symbolSize: 13,
				data: [[voltage, current]],
				itemStyle: { color: look.ink },
				label: label('stands here', look.ink, 'bottom')
			}
		]
	};
}
