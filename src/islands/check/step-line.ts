import { LineChart } from 'echarts/charts';
import { GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components';
import { init, use } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';

// Only what a line of steps needs, so that the page stays light.
use([LineChart, GridComponent, MarkLineComponent, TooltipComponent, SVGRenderer]);

export { init };
