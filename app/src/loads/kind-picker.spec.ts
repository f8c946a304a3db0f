import { onPage } from '../parts/on-page.testing';
import { KindPicker, type KindPicked } from './kind-picker';

function setUp() {
  const page = onPage(KindPicker);
  const picker = page.fixture.componentInstance;
  let closings = 0;
  picker.closed.subscribe(() => (closings += 1));
  const picked: KindPicked[] = [];
  const named: string[] = [];
  picker.picked.subscribe((kind) => picked.push(kind));
  picker.named.subscribe((name) => named.push(name));
  page.draw();
  const kinds = (): number => page.host.querySelectorAll('li').length;
  const enter = (): void => {
    page.host.querySelector('input')?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    page.draw();
  };
  return { page, picked, named, kinds, enter, closed: () => closings };
}

describe('the list of kinds', () => {
  it('has about sixty of them by family, each with its range', () => {
    const { page, kinds } = setUp();
    expect(kinds()).toBeGreaterThan(55);
    for (const line of page.host.querySelectorAll('li span + span'))
      expect(line.textContent).toMatch(/^[\d,]+ to [\d,]+ W(, with a start)?$/);
  });

  it('is found by words in any order, and Enter takes the first', () => {
    const { page, picked, kinds, enter, closed } = setUp();
    page.type(/^Find a kind/, 'saw band');
    expect(kinds()).toBe(1);
    enter();
    expect(picked[0]?.kind.name).toMatch(/band ?saw/i);
    expect(closed()).toBe(1);
  });

  it('takes what a plate says with the words', () => {
    const { page, picked, enter } = setUp();
    page.type(/^Find a kind/, 'jointer 3/4 hp');
    enter();
    expect(picked[0]?.stated).toEqual({ value: 0.75, unit: 'hp' });
  });

  it('takes a name it does not know', () => {
    const { page, named } = setUp();
    page.type(/^Find a kind/, ' kite winch ');
    page.press(/^Add “/);
    expect(named).toEqual(['kite winch']);
  });
});
