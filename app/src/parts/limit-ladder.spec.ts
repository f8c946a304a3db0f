import { TestBed } from '@angular/core/testing';
import { check, compile } from '@heliarch/core/check';
import { smallRig } from '../storage/small-rig.testing';
import { LimitLadder } from './limit-ladder';

async function ladderFor(...ids: string[]) {
  const rig = smallRig();
  const result = check(compile(rig), { supply: 'battery', on: ids.map((load) => ({ load })) });
  const fixture = TestBed.createComponent(LimitLadder);
  fixture.componentRef.setInput('rig', rig);
  fixture.componentRef.setInput('result', result);
  fixture.componentRef.setInput('limits', result.limits);
  fixture.componentRef.setInput('idle', ['Attic']);
  await fixture.whenStable();
  const root = fixture.nativeElement as HTMLElement;
  const texts = (selector: string) =>
    [...root.querySelectorAll(selector)].map((element) => element.textContent.trim().replace(/\s+/g, ' '));
  return { fixture, root, texts, result };
}

describe('the limit ladder', () => {
  it('has the deciding row first, and folds what is far from its limit into one line that unfolds', async () => {
    const { texts, root, result, fixture } = await ladderFor('saw', 'kettle');
    const folded = result.limits.length - texts('.row').length;
    expect(folded).toBe(4);
    expect(texts('.label')[0]).toMatch(/^Restart, saw, 5.s/);
    expect(texts('.folded')[0]).toMatch(/^4 more hold, the fullest at \d+ % Idle: Attic\.$/);
    root.querySelector<HTMLButtonElement>('.folded button')?.click();
    await fixture.whenStable();
    expect(texts('.row').length).toBe(result.limits.length);
    // every verdict is said in words too
    expect(root.querySelectorAll('.row .verdict .unseen').length).toBe(texts('.row').length);
  });

  it('draws every row against the same limit: the stated demand in percent of it', async () => {
    const { root, result } = await ladderFor('kettle');
    const [limit] = result.limits;
    const bar = root.querySelector<HTMLElement>('.row .running');
    const share = ((limit?.worst.stated ?? NaN) / (limit?.capacity.pessimistic ?? NaN)) * 100;
    expect(Number.parseFloat(bar?.style.width ?? '')).toBeCloseTo(share, 3);
  });

  it('opens one row at a time to its working', async () => {
    const { root, fixture, texts } = await ladderFor('saw', 'kettle');
    const [first, second] = root.querySelectorAll<HTMLButtonElement>('.label button');
    first?.click();
    await fixture.whenStable();
    await fixture.whenStable();
    expect(first?.getAttribute('aria-expanded')).toBe('true');
    expect(texts('heli-limit-working th')).toContain('Kettle');
    second?.click();
    await fixture.whenStable();
    await fixture.whenStable();
    expect(root.querySelectorAll('heli-limit-working').length).toBe(1);
    expect(first?.getAttribute('aria-expanded')).toBe('false');
  });
});
