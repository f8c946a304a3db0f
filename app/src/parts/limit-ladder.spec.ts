import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { TestBed } from '@angular/core/testing';
import { check, compile } from '@heliarch/core/check';
import { smallRig } from '../storage/small-rig.testing';
import { LimitLadder } from './limit-ladder';
import { LimitLadderHarness } from './limit-ladder.harness';

async function ladderFor(...ids: string[]) {
  const rig = smallRig();
  const result = check(compile(rig), { supply: 'battery', on: ids.map((load) => ({ load })) });
  const fixture = TestBed.createComponent(LimitLadder);
  fixture.componentRef.setInput('rig', rig);
  fixture.componentRef.setInput('result', result);
  fixture.componentRef.setInput('limits', result.limits);
  fixture.componentRef.setInput('idle', ['Attic']);
  const ladder = await TestbedHarnessEnvironment.harnessForFixture(fixture, LimitLadderHarness);
  return { ladder, result };
}

describe('the limit ladder', () => {
  it('has the deciding row first, and folds what is far from its limit into one line that unfolds', async () => {
    const { ladder, result } = await ladderFor('saw', 'kettle');
    const labels = await ladder.labels();
    expect(result.limits.length - labels.length).toBe(4);
    expect(labels[0]).toMatch(/^Restart, saw, 5.s/);
    expect(await ladder.foldedLine()).toMatch(/^4 more hold, the fullest at \d+ %$/);
    await ladder.unfold();
    expect((await ladder.labels()).length).toBe(result.limits.length);
    const words = await ladder.verdictWords();
    expect(words.length).toBe(result.limits.length);
    for (const word of words) expect(word).toMatch(/^(Holds|Tight|Likely trips|Trips)$/);
  });

  it('draws every row against the same limit: the stated demand in percent of it', async () => {
    const { ladder, result } = await ladderFor('kettle');
    const [limit] = result.limits;
    const share = ((limit?.worst.stated ?? NaN) / (limit?.capacity.pessimistic ?? NaN)) * 100;
    expect(await ladder.runningPercent(0)).toBeCloseTo(share, 3);
  });

  it('opens one row at a time to its working', async () => {
    const { ladder } = await ladderFor('saw', 'kettle');
    await ladder.toggle(0);
    expect(await ladder.isOpen(0)).toBeTrue();
    expect((await ladder.openWorkings())[0]).toContain('Kettle');
    await ladder.toggle(1);
    expect((await ladder.openWorkings()).length).toBe(1);
    expect([await ladder.isOpen(0), await ladder.isOpen(1)]).toEqual([false, true]);
  });
});
