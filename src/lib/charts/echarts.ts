import { LineChart, ScatterChart } from 'echarts/charts';
import { GridComponent } from 'echarts/components';
import { init, use } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';

/* The parts of ECharts that Zembo draws with; loaded only by a screen that shows a chart. */
use([LineChart, ScatterChart, GridComponent, CanvasRenderer]);

export { init };
export type { EChartsType } from 'echarts/core';
