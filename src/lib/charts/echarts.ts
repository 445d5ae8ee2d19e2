import { LineChart, ScatterChart } from 'echarts/charts';
import { GridComponent, MarkLineComponent } from 'echarts/components';
import { init, use } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';

/* The parts of ECharts that Zembo draws with; loaded only by a screen that shows a chart. */
use([LineChart, ScatterChart, GridComponent, MarkLineComponent, CanvasRenderer]);

export { init };
export type { EChartsType } from 'echarts/core';
