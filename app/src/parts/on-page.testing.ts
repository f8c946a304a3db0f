import { signal, type Type } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { By } from '@angular/platform-browser';
import type { Rig } from '@heliarch/core/rig';
import { NzSelectComponent } from 'ng-zorro-antd/select';
import { RigSession } from '../storage/rig-session';

/** A session that keeps one rig in memory, for what is tested without a book. */
export function sessionWith(first: Rig) {
  const rig = signal<Rig>(first);
  const labels: string[] = [];
  /** Steps of one key after another are one step back. */
  const keys: (string | undefined)[] = [];
  const change = (edit: (rig: Rig) => Rig, step: { readonly label: string; readonly key?: string }): void => {
    labels.push(step.label);
    keys.push(step.key);
    rig.update(edit);
  };
  TestBed.configureTestingModule({ providers: [{ provide: RigSession, useValue: { rig, change } }] });
  return { rig, labels, keys };
}

/** A component as a person meets it: by the names of what can be pressed, typed into and chosen. */
export function onPage<T>(component: Type<T>, inputs: () => Readonly<Record<string, unknown>> = () => ({})) {
  const fixture = TestBed.createComponent(component);
  /** What lies over the work is asked first. */
  const over = (): HTMLElement =>
    document.querySelector<HTMLElement>('[role=dialog]') ?? (fixture.nativeElement as HTMLElement);
  const drawOnce = (): void => {
    for (const [name, value] of Object.entries(inputs())) fixture.componentRef.setInput(name, value);
    fixture.detectChanges();
  };
  /** Twice: what an effect changes is an input the next time. */
  const draw = (): void => {
    drawOnce();
    drawOnce();
  };
  draw();
  const find = (selector: string, name: RegExp | string): HTMLElement | undefined =>
    [...over().querySelectorAll<HTMLElement>(selector)].find((each) => {
      const spoken = spokenName(over(), each);
      return typeof name === 'string' ? spoken === name : name.test(spoken);
    });
  const named = (selector: string, name: RegExp | string): HTMLElement => {
    const found = find(selector, name);
    if (!found) throw new Error(`Nothing here is called ${name}`);
    return found;
  };
  const selectNamed = (name: RegExp | string): NzSelectComponent =>
    selectOf(fixture, named('input[role=combobox]', name));
  const enter = (element: HTMLInputElement | HTMLTextAreaElement, text: string): void => {
    element.value = text;
    element.dispatchEvent(new Event('input'));
    element.dispatchEvent(new Event('change'));
    draw();
  };
  return {
    get host() {
      return over();
    },
    fixture,
    draw,
    press: (name: RegExp | string): void => {
      named('button', name).click();
      draw();
    },
    type: (name: RegExp | string, text: string): void => {
      enter(named('input:not([role=combobox]), textarea', name) as HTMLInputElement, text);
    },
    choose: (name: RegExp | string, option: string): void => {
      const select = selectNamed(name);
      const found = select.nzOptions.find(({ label }) => label === option);
      if (!found) throw new Error(`${name} has no choice ${option}`);
      select.onItemClick(found.value);
      draw();
    },
    isDisabled: (name: RegExp | string): boolean => (named('button', name) as HTMLButtonElement).disabled,
    has: (selector: string, name: RegExp | string): boolean => find(selector, name) !== undefined,
    text: (selector?: string): string =>
      squeezed((selector ? over().querySelector(selector) : over())?.textContent ?? ''),
  };
}

function selectOf(fixture: ComponentFixture<unknown>, box: HTMLElement): NzSelectComponent {
  const all = fixture.debugElement.queryAll(By.directive(NzSelectComponent));
  const found = all.find(({ nativeElement }) => (nativeElement as HTMLElement).contains(box));
  if (!found) throw new Error('No select of the library has this box.');
  return found.componentInstance as NzSelectComponent;
}

function spokenName(host: HTMLElement, element: HTMLElement): string {
  const label = element.id ? host.querySelector(`label[for="${element.id}"]`) : element.closest('label');
  return squeezed(element.ariaLabel ?? label?.textContent ?? element.textContent);
}

const squeezed = (text: string): string => text.trim().replace(/[\s\u00a0\u2060]+/g, ' ');
