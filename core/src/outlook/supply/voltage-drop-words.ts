import type { NumberStyle } from '../../units/number-style.js';
import { formatAmount, formatNumber } from '../../units/format.js';
import { sourceWords } from '../../reference/provenance.js';
import { WIRE_RESISTANCE } from '../../reference/copper-awg.js';
import { METRIC_RESISTANCE } from '../../reference/copper-metric.js';
import { DROP_ADVICE } from '../../reference/voltage-quality.js';
import type { VoltageDrop } from './voltage-drop.js';

/** The largest drop against what is recommended, which is advice and no limit: a line, and the figures behind it. */
export function voltageDropWords(
  style: NumberStyle,
  drops: readonly VoltageDrop[],
): { readonly line: string; readonly detail: string } | undefined {
  const [worst] = drops;
  if (!worst) return undefined;
  const advice = adviceFor(worst);
  const isMore = worst.share.hi > advice;
  return {
    line: `${percent(style, worst.share.stated)} in the cable of ${worst.circuit.name}${isMore ? `, more than the ${percent(style, advice)} advised` : ''}.`,
    detail: [
      `Up to ${percent(style, worst.share.hi)} warm, and ${formatAmount(style, worst.lostW, 'W')} lost as heat. Resistance by ${sourceWords(worst.circuit.cable?.awg ? WIRE_RESISTANCE : METRIC_RESISTANCE)}.`,
      `Advised: ${percent(style, DROP_ADVICE.branch)} in a branch, ${percent(style, DROP_ADVICE.total)} in all, ${percent(style, DROP_ADVICE.dc)} on DC that is not critical; ${sourceWords(DROP_ADVICE)}.`,
      ...(drops.length > 1
        ? [
            `Others: ${drops
              .slice(1, 4)
              .map(({ circuit, share }) => `${circuit.name} ${percent(style, share.stated)}`)
              .join(', ')}.`,
          ]
        : []),
    ].join(' '),
  };
}

/** North America advises for a branch; elsewhere what is no light may lose what a whole supply may. */
function adviceFor({ isDc, circuit }: VoltageDrop): number {
  if (isDc) return DROP_ADVICE.dc;
  return circuit.protection.curve === 'ul-489' ? DROP_ADVICE.branch : DROP_ADVICE.total;
}

const percent = (style: NumberStyle, share: number): string => `${formatNumber(style, share * 100, 1)} %`;
