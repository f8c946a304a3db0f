import { TestBed } from '@angular/core/testing';
import { validateRig } from '@heliarch/core/rig';
import { loadTable } from '@heliarch/core/describe';
import { unparse } from 'papaparse';
import { smallRig } from '../storage/small-rig.testing';
import { onPage, sessionWith } from '../parts/on-page.testing';
import { ListImport } from './list-import';
import { LoadsState } from './loads-state';

function setUp() {
  const { rig, labels } = sessionWith(smallRig());
  TestBed.configureTestingModule({ providers: [LoadsState] });
  const page = onPage(ListImport);
  page.draw();
  const [head, ...lines] = loadTable(rig()) as string[][];
  const paste = (...rows: readonly (readonly string[])[]): void =>
    page.type('Lines to bring in', unparse([head!, ...rows.map((row) => [...row])]));
  return { page, rig, labels, head: head!, lines, paste };
}

describe('a load list that is brought in', () => {
  it('is looked at line by line, and nothing is stored before it is taken', () => {
    const { page, rig, labels, head, lines, paste } = setUp();
    const [kettle] = lines;
    const named = (name: string): string[] => kettle!.map((cell, at) => (head[at] === head[0] ? name : cell));
    paste(kettle!, named('Second kettle'), named(''));
    const becomes = [...page.host.querySelectorAll('tbody tr:has(th)')].map((row) => row.textContent.trim());
    expect(becomes[0]).toContain('is changed');
    expect(becomes[1]).toContain('is added');
    expect(becomes[2]).toContain('is left out:');
    expect(rig().loads.length).toBe(2);

    page.press('Take 2 of 3 lines');
    expect(rig().loads.map(({ name }) => name)).toEqual(['Kettle', 'Saw', 'Second kettle']);
    expect(labels).toEqual(['bring in 2 lines']);
    expect(validateRig(rig()).ok).toBeTrue();
  });

  it('without a header it knows says so, and offers nothing to take', () => {
    const { page } = setUp();
    page.type('Lines to bring in', 'a,b\r\n1,2');
    expect(page.text('[role=alert]')).not.toBe('');
    expect(page.has('button', /^Take/)).toBeFalse();
  });
});
