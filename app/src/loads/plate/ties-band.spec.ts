import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { validateRig, type Rig } from '@heliarch/core';
import { RigSession } from '../../book/rig-session';
import { smallRig } from '../../book/small-rig.spec-data';
import { TiesBand } from './ties-band';

function setUp() {
  const small = smallRig();
  const [kettle] = small.loads;
  const rig = signal<Rig>({ ...small, loads: [kettle!, { ...kettle!, id: 'toaster', name: 'Toaster' }] });
  const session = { rig, change: (edit: (rig: Rig) => Rig) => rig.update(edit) };
  TestBed.configureTestingModule({ providers: [{ provide: RigSession, useValue: session }] });
  const fixture = TestBed.createComponent(TiesBand);
  const draw = (): void => {
    fixture.componentRef.setInput('rig', rig());
    fixture.componentRef.setInput('load', rig().loads[0]);
    fixture.detectChanges();
  };
  draw();
  const host = fixture.nativeElement as HTMLElement;
  const press = (label: string): void => {
    const button = [...host.querySelectorAll('button')].find(
      (each) => each.ariaLabel === label || each.textContent.trim() === label,
    );
    button!.click();
    draw();
    expect(validateRig(rig()).ok).toBeTrue();
  };
  const type = (label: string, text: string): void => {
    const box = [...host.querySelectorAll('input')].find((each) => each.ariaLabel === label)!;
    box.value = text;
    box.dispatchEvent(new Event('change'));
    draw();
  };
  return { rig, host, press, type };
}

describe('ties, locks and shedders of a load', () => {
  it('are made with another load, changed and undone by a button each', () => {
    const { rig, press, type } = setUp();
    press('It starts with that one');
    type('Seconds after it', '3');
    type('Seconds it runs on', 'a while');
    expect(rig().ties).toEqual([{ follower: 'kettle', leader: 'toaster', delayS: 3 }]);
    press('Remove this tie');
    expect(rig().ties).toEqual([]);

    press('Only one of the two runs');
    expect(rig().locks).toEqual([{ name: 'Kettle or Toaster', loads: ['kettle', 'toaster'] }]);
    press('Leave this either-or');
    expect(rig().locks).toEqual([]);

    press('It is dropped while that one runs');
    expect(rig().shedders?.[0]).toEqual(jasmine.objectContaining({ drops: 'kettle', watches: 'toaster' }));
    press('Remove this shedder');
    expect(rig().shedders).toEqual([]);
  });
});
