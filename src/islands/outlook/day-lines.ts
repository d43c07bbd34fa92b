import { LineChart } from 'echarts/charts';
import { GridComponent, TooltipComponent } from 'echarts/components';
import { init, use } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';

// Only what two lines over days need, so that the page stays light.
use([LineChart, GridComponent, TooltipComponent, SVGRenderer]);

export { init };
