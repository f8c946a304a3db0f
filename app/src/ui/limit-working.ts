import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import {
  explainLimit,
  formatAmount,
  partName,
  plainText,
  workingOf,
  type CheckResult,
  type Limit,
  type Rig,
} from '@heliarch/core';
import { BasisMark } from './basis-mark';
import { keepTogether } from './keep-together';

/** Where a row of the ladder comes from: the numbers that went in, how they add, the source of the limit. */
@Component({
  selector: 'heli-limit-working',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BasisMark],
  template: `
    <p>{{ sentence() }}</p>
    <table>
      <caption class="unseen">
        What went in
      </caption>
      <tbody>
        @for (line of lines(); track $index) {
          <tr>
            <th scope="row">{{ line.name }}</th>
            <td class="figures">{{ line.stated }}</td>
            <td><heli-basis-mark [basis]="line.basis" /></td>
            <td class="figures range">{{ line.range }}</td>
          </tr>
        }
      </tbody>
    </table>
    <p class="caption">{{ working().sum }} {{ working().source }}</p>
  `,
  styles: `
    :host {
      display: block;
      margin: 2px 0 6px;
      padding: 6px 8px;
      border: 1px solid var(--ink);
      background: var(--plate);
    }
    p {
      color: var(--ink-2);
    }
    table {
      width: 100%;
      margin: 4px 0;
      border-collapse: collapse;
    }
    th {
      font-weight: 400;
      text-align: left;
    }
    td {
      text-align: right;
      white-space: nowrap;
    }
    tr {
      border-top: 1px solid var(--rule);
    }
    .range {
      padding-left: 6px;
      color: var(--ink-2);
    }
    heli-basis-mark {
      margin-left: 4px;
      color: var(--ink-2);
    }
    .caption {
      color: var(--ink-2);
    }
  `,
})
export class LimitWorking {
  readonly rig = input.required<Rig>();
  readonly result = input.required<CheckResult>();
  readonly limit = input.required<Limit>();

  protected readonly working = computed(() => workingOf(this.result(), this.limit()));
  protected readonly sentence = computed(() =>
    keepTogether(plainText(explainLimit(this.rig(), this.limit()))),
  );
  protected readonly lines = computed(() => {
    const { unit } = this.limit();
    return this.working().lines.map((line) => ({
      name: `${sentenceCase(partName(this.rig(), line))}${line.what === 'start' ? ', kick' : ''}`,
      stated: formatAmount(line.amount.stated, unit),
      basis: line.basis,
      range: `${formatAmount(line.amount.lo, unit).replace(/ \D+$/, '')} to ${formatAmount(line.amount.hi, unit).replace(/ \D+$/, '')}`,
    }));
  });
}

/** "the compressor of the fridge" as a row of its own: "Compressor of the fridge". */
function sentenceCase(name: string): string {
  const plain = name.replace(/^the /, '');
  return `${plain.slice(0, 1).toUpperCase()}${plain.slice(1)}`;
}
