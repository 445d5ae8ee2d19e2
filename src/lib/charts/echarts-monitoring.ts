import { BarChart, HeatmapChart, LineChart, ScatterChart } from 'echarts/charts';
import {
	DataZoomComponent,
	GridComponent,
	LegendComponent,
	MarkLineComponent,
	TooltipComponent,
	VisualMapComponent
} from 'echarts/components';
import { init, use } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';

/* The parts of ECharts that the watch draws with; loaded only there. */
use([
	BarChart,
	HeatmapChart,
	LineChart,
	ScatterChart,
	DataZoomComponent,
	GridComponent,
	LegendComponent,
	MarkLineComponent,
	TooltipComponent,
	VisualMapComponent,
	CanvasRenderer
]);

export { init };
