import { ChoiceRow } from '../../ui/pieces/index.ts';
import { MEASURE_WORDS, MEASURES, type Measure } from './day-chart.tsx';

/** What is drawn: the margin only for whom costs are shown. */
export const MeasureChoice = ({
  margins,
  measure,
  onMeasure,
}: {
  margins: boolean;
  measure: Measure;
  onMeasure: (measure: Measure) => void;
}) => (
  <ChoiceRow
    name="What is drawn"
    choices={MEASURES.filter((one) => margins || one !== 'margin').map((value) => ({
      value,
      words: MEASURE_WORDS[value],
    }))}
    chosen={measure}
    onChoose={onMeasure}
  />
);
