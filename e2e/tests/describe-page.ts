import { expect, type Locator, type Page } from '@playwright/test';
import { kindOfPart, type Load, type Part, type Rig } from '../../core/src/api/rig.ts';
import { fieldAt } from '../../core/src/api/describe.ts';
import { choiceWords } from '../../core/src/api/rig.ts';
import { goToRoom } from './rooms.ts';

type Values = Readonly<Record<string, unknown>>;
interface Stated {
  readonly value: number;
  readonly basis: string;
  readonly plus?: number | undefined;
  readonly commonCause?: string | undefined;
  readonly note?: string | undefined;
}

const BASIS_WORDS: Readonly<Record<string, string>> = {
  'data-sheet': 'data sheet',
  setting: 'your setting',
};
const capital = (text: string): string => text.slice(0, 1).toUpperCase() + text.slice(1);

/** Rig and Loads as a person meets them who types in a printed list: by the labels on the screen. */
export class DescribePage {
  constructor(readonly page: Page) {}

  async goTo(room: 'Rig' | 'Loads' | 'Together' | 'Day'): Promise<void> {
    await goToRoom(this.page, room);
    await expect(this.page.locator('main h1').first()).toBeVisible();
  }

  get sheet(): Locator {
    return this.page.locator('heli-part-sheet');
  }

  get editor(): Locator {
    return this.page.getByRole('article');
  }

  part(name: string): Locator {
    return this.page
      .locator('heli-one-line')
      .getByRole('button', { name: new RegExp(`^(Busbar )?${name}(,|$)`) });
  }

  /** By its name in the drawing: loads lie over the rest of a circuit. */
  async openPart(name: string): Promise<void> {
    await this.part(name).first().locator('text').first().click();
    await expect(this.part(name).first()).toHaveAttribute('aria-pressed', 'true');
  }

  /** Whose numbers are typed in next is seen before they are: the editor had another load until then. */
  async openLoad(name: string): Promise<void> {
    await this.page.getByRole('button', { name, exact: true }).click();
    await expect(this.editor).toHaveAccessibleName(name);
  }

  async addPart(what: string): Promise<void> {
    await this.page.getByRole('button', { name: 'Add a part' }).click();
    await this.page.getByRole('menuitem', { name: `Add a ${what}` }).click();
    await this.added();
  }

  /** What is typed next goes to what was added, and to nothing that was open before. */
  private async added(): Promise<void> {
    await expect(this.page.getByRole('button', { name: /^Undo: add/ })).toBeVisible();
  }

  /** Types in everything of an entry; references are chosen by name. */
  async enter(scope: Locator, place: string, values: Values, rig: Rig): Promise<void> {
    const fields = Object.entries(values)
      .filter(([key]) => key !== 'id')
      .map(([key, value]) => ({ field: fieldAt(`${place}.${key}`), value }));
    const isGroup = (kind: string): boolean => kind === 'group' || kind === 'list';
    for (const { field, value } of fields.filter((each) => !isGroup(each.field.kind))) {
      await this.field(scope, field.path, value, rig);
    }
    for (const { field, value } of fields.filter((each) => isGroup(each.field.kind))) {
      const section = scope.getByRole('region', { name: field.label, exact: true });
      if (field.kind === 'group') {
        const add = section.getByRole('button', { name: `Add ${field.label}`, exact: true });
        if (await add.isVisible()) await add.click();
        await this.enter(section, field.path, value as Values, rig);
        continue;
      }
      for (const [index, entry] of (value as Values[]).entries()) {
        const group = section.getByRole('group', { name: `${field.label} ${index + 1}`, exact: true });
        if (!(await group.isVisible()))
          await section.getByRole('button', { name: `Add to ${field.label}`, exact: true }).click();
        await this.enter(group, `${field.path}[]`, entry, rig);
      }
    }
  }

  async field(scope: Locator, place: string, value: unknown, rig: Rig, label?: string): Promise<void> {
    const field = fieldAt(place);
    const name = capital(label ?? field.label);
    const box = scope.getByRole('textbox', { name, exact: true }).first();
    if (field.kind === 'quantity') await this.quantity(scope, name, value as Stated, field.unit);
    else if (field.kind === 'number') await box.fill(String(shown(value as number, field.unit)));
    else if (field.kind === 'text') await box.fill(String(value));
    else if (field.kind === 'choice' && field.options.length > 1)
      await choose(scope.getByRole('combobox', { name, exact: true }).first(), choiceWords(String(value)));
    else if (field.kind === 'reference')
      await choose(
        scope.getByRole('combobox', { name, exact: true }),
        nameIn(rig, field.refersTo, String(value)),
      );
    else if (field.kind === 'references')
      for (const id of value as string[])
        await scope
          .getByRole('group', { name, exact: true })
          .getByRole('checkbox', { name: nameIn(rig, field.refersTo, id), exact: true })
          .check();
  }

  async quantity(scope: Locator, name: string, stated: Stated, unit?: string): Promise<void> {
    await scope
      .getByRole('textbox', { name, exact: true })
      .first()
      .fill(String(shown(stated.value, unit)));
    await choose(
      scope.getByRole('combobox', { name: `${name}: how do you know it?`, exact: true }),
      BASIS_WORDS[stated.basis] ?? stated.basis,
    );
    if (stated.plus === undefined && !stated.commonCause && !stated.note) return;
    await scope.getByRole('button', { name: new RegExp(`^${name} = .*: change the doubt`) }).click();
    const type = async (label: string, text: string): Promise<void> => {
      await scope.getByRole('textbox', { name: label, exact: true }).fill(text);
      await scope.getByRole('textbox', { name: label, exact: true }).blur();
    };
    if (stated.plus !== undefined) await type('more by', String(stated.plus));
    if (stated.commonCause) await type('shares its doubt with', stated.commonCause);
    if (stated.note) await type('note', stated.note);
  }

  /** A load that no kind of the library is taken for. */
  async addLoad(name: string): Promise<void> {
    await this.page.getByRole('button', { name: 'Add a load' }).click();
    const dialog = this.page.getByRole('dialog', { name: 'Add a load from its kind' });
    await dialog.getByRole('searchbox', { name: 'Find a kind' }).fill(`new ${name}`);
    await dialog.getByRole('button', { name: 'and enter its numbers' }).click();
    await this.added();
    await this.editor.getByRole('textbox', { name: 'Name of the load' }).fill(name);
  }

  async enterLoad(load: Load, rig: Rig): Promise<void> {
    const { id: _id, name, parts, states, programme, usage, cord, circuit, ...rest } = load;
    await this.addLoad(name);
    for (let more = 1; more < parts.length; more += 1)
      await this.editor.getByRole('button', { name: 'Add a part' }).click();
    for (const [index, part] of parts.entries()) await this.enterPart(part, index, parts.length, rig);
    await this.field(this.editor, 'loads[].circuit', circuit, rig);
    await this.field(this.section('Use'), 'loads[].usage', usage, rig);
    for (const [key, value] of Object.entries(rest))
      await this.field(this.editor, `loads[].${key}`, value, rig);
    if (cord) await this.enter(this.section('Circuit and cord'), 'loads[]', { cord }, rig);
    for (const [index, state] of (states ?? []).entries()) {
      await this.editor.getByRole('button', { name: 'Add a state' }).click();
      const line = this.editor.getByRole('group', { name: `State ${index + 1}`, exact: true });
      await this.field(line, 'loads[].states[].name', state.name, rig);
      for (const [at, { share }] of state.parts.entries())
        await line
          .getByRole('textbox', { name: /share$/i })
          .nth(at)
          .fill(String(shown(share, 'of 1')));
    }
    if (!programme) return;
    await this.editor.getByRole('button', { name: 'Make it a programme' }).click();
    for (const [index, { minutes }] of programme.stages.entries())
      await this.field(
        this.editor.getByRole('group', { name: `stages ${index + 1}`, exact: true }),
        'loads[].programme.stages[].minutes',
        minutes,
        rig,
      );
    if (programme.survivesBreakMinutes !== undefined)
      await this.field(
        this.editor,
        'loads[].programme.survivesBreakMinutes',
        programme.survivesBreakMinutes,
        rig,
      );
  }

  private section(name: string): Locator {
    return this.editor.getByRole('region', { name, exact: true });
  }

  private async enterPart(part: Part, index: number, count: number, rig: Rig): Promise<void> {
    const { kind, name = '', runningW, powerFactor, start } = part;
    const nth = (title: string): Locator =>
      this.editor.getByRole('region', { name: new RegExp(`^${title}(,|$)`) }).nth(index);
    if (count > 1) {
      const what = this.editor.getByRole('region', { name: /^Part / }).nth(index);
      await this.field(what, 'loads[].parts[].name', name, rig);
      await choose(what.getByRole('combobox', { name: 'Kind' }), kindOfPart(kind).name);
    } else {
      await choose(
        this.section('What it is').getByRole('combobox', { name: 'Made of' }),
        kindOfPart(kind).name,
      );
    }
    if (runningW) await this.quantity(nth('Running'), 'Running power', runningW);
    if (powerFactor) await this.quantity(nth('Running'), 'Power factor', powerFactor);
    const section = nth('Start');
    if (!start) {
      await section.getByRole('radio', { name: 'None' }).check();
      return;
    }
    await section.getByRole('radio', { name: 'VA', exact: true }).check();
    if (start.va) await this.quantity(section, 'Start', start.va);
    if (start.seconds) await this.quantity(section, 'Seconds of the start', start.seconds);
    if (start.softStarter)
      await choose(section.getByRole('combobox', { name: 'Seen with a soft starter' }), start.softStarter);
  }
}

/** Chooses as a person does: sees what is chosen, opens the list, and where it is long types to find. */
export async function choose(box: Locator, option: string): Promise<void> {
  // What was typed before may have changed what is chosen: it is seen once it is drawn.
  await box.evaluate(() => new Promise((seen) => requestAnimationFrame(() => requestAnimationFrame(seen))));
  if ((await box.inputValue()) === option) return;
  const list = box.page().getByRole('listbox');
  await expect(async () => {
    if (!(await list.isVisible())) await box.click();
    await expect(list).toBeVisible({ timeout: 2000 });
  }).toPass();
  if (await box.isEditable()) await box.fill(option);
  await list.getByRole('option', { name: option, exact: true }).click();
  await expect(box).toHaveValue(option);
}

const PERCENT = 100;

/** As the printed list says it: shares in percent. */
function shown(value: number, unit: string | undefined): number {
  return unit === 'of 1' || unit === 'W per W' ? Number((value * PERCENT).toPrecision(6)) : value;
}

function nameIn(rig: Rig, list: string | undefined, id: string): string {
  const entries = (rig as unknown as Record<string, { id: string; name: string }[]>)[list ?? ''] ?? [];
  return entries.find((entry) => entry.id === id)?.name ?? id;
}
