import { restartWaitOf } from '../loads/start/restart-wait.js';
import type { CardItem, CardLine, CardPlan } from './card-plan.js';
import { linesOf } from './card-plan.js';
import { SECONDS_PER_MINUTE } from '../units/conversion-factors.js';
import { loadOf, supplyOf } from '../rig/lookup.js';
import { inSentence } from '../rig/names-in-sentences.js';
import type { Load, Rig } from '../rig-file/schema.js';
import { ENGLISH, type CardTexts } from './card-texts.js';

/** A card as it stands on paper: plain text, nothing to be worked out. */
export interface CardPage {
  readonly title: string;
  readonly rig: string;
  readonly sections: readonly CardSection[];
  readonly signs: readonly { readonly head: string; readonly text: string }[];
  readonly dark: { readonly head: string; readonly steps: readonly string[] };
  readonly foot: readonly string[];
}

export interface CardSection {
  readonly mark: 'always' | 'one' | 'together' | 'never' | 'order';
  readonly head: string;
  /** Names in columns, or sentences; the strong part first. */
  readonly names: readonly string[];
  readonly sentences: readonly { readonly strong: string; readonly rest: string }[];
}

const USUAL_WAIT_MINUTES = 3;

/**
 * The page of a supply's card, with those of its lines that are proved.
 *
 * @param isPrinted Whether a line may be printed.
 * @param ask Whom the household asks; empty where nobody is named.
 */
export function cardPage(
  rig: Rig,
  plan: CardPlan,
  isPrinted: (line: CardLine) => boolean,
  ask: string,
  texts: CardTexts = ENGLISH,
): CardPage {
  const supply = supplyOf(rig, plan.supply);
  const lines = linesOf(plan).filter((line) => line.kind === 'never' || isPrinted(line));
  const name = (item: CardItem): string => itemName(rig, item, texts);
  const sections = [
    ...section('always', texts.always, lines, (line) =>
      line.kind === 'always' ? { names: [listed(line.items.map(name), texts)] } : undefined,
    ),
    ...section('one', texts.oneAtATime, lines, (line) =>
      line.kind === 'one-at-a-time' ? { names: line.items.map(name) } : undefined,
    ),
    ...section('together', texts.together, lines, (line) =>
      line.kind === 'together'
        ? {
            sentences: [
              {
                strong: '',
                rest: slotWords(
                  line.slots.map((slot) => slot.map(name)),
                  texts,
                ),
              },
            ],
          }
        : undefined,
    ),
    ...section('never', texts.never(inTitle(supply.name)), lines, (line) =>
      line.kind === 'never' ? { sentences: neverSentences(rig, plan, line.items, texts) } : undefined,
    ),
    ...withWaits(
      rig,
      plan,
      texts,
      ordersTogether(lines, texts, (item) => inSentence(name(item))),
    ),
  ];
  const promises = lines.some((line) => line.kind !== 'never');
  return {
    title: supply.name,
    rig: rig.name,
    sections: promises ? sections : [nothingPromised(texts), ...sections],
    signs: [texts.dips, texts.dims],
    dark: { head: texts.dark, steps: darkSteps(rig, plan, ask, texts) },
    foot: [texts.proved, texts.permission],
  };
}

const inTitle = (supply: string): string => inSentence(supply.replace(/^on /i, ''));

const listed = (names: readonly string[], texts: CardTexts): string =>
  texts.allOf(names.map((name, index) => (index === 0 ? name : inSentence(name))));

const nothingPromised = (texts: CardTexts): CardSection => ({
  mark: 'never',
  head: texts.nothing,
  names: [],
  sentences: [],
});

/** What may join the same load stands in one sentence. */
function ordersTogether(
  lines: readonly CardLine[],
  texts: CardTexts,
  name: (item: CardItem) => string,
): readonly CardSection[] {
  const byFirst = new Map<string, string[]>();
  for (const line of lines) {
    if (line.kind !== 'order') continue;
    const first = name(line.first);
    byFirst.set(first, [...(byFirst.get(first) ?? []), name(line.then)]);
  }
  if (byFirst.size === 0) return [];
  const sentences = [...byFirst].map(([first, then]) => texts.mayJoin(first, then));
  return [{ mark: 'order', head: texts.order, names: [], sentences }];
}

function section(
  mark: CardSection['mark'],
  head: string,
  lines: readonly CardLine[],
  content: (line: CardLine) => Partial<Pick<CardSection, 'names' | 'sentences'>> | undefined,
): readonly CardSection[] {
  const found = lines.flatMap((line) => content(line) ?? []);
  return found.length === 0
    ? []
    : [
        {
          mark,
          head,
          names: found.flatMap(({ names = [] }) => names),
          sentences: found.flatMap(({ sentences = [] }) => sentences),
        },
      ];
}

function itemName(rig: Rig, { load, state }: CardItem, texts: CardTexts): string {
  const { name, states = [] } = loadOf(rig, load);
  const called = states.find(({ id }) => id === state)?.name;
  return called === undefined ? name : texts.inState(name, inSentence(called));
}

function slotWords(slots: readonly (readonly string[])[], texts: CardTexts): string {
  const [first = [], second = []] = slots;
  const small = (names: readonly string[]): readonly string[] => names.map(inSentence);
  if (slots.length === 2 && first.length + second.length > 2) {
    const [few, many] = first.length <= second.length ? [first, second] : [second, first];
    return texts.oneWithOne(few.length === 1 ? few : small(few), small(many));
  }
  return listed(slots.flat(), texts);
}

/** Why loads are never on, those of one reason together. */
function neverSentences(
  rig: Rig,
  { supply }: CardPlan,
  items: readonly CardItem[],
  texts: CardTexts,
): CardSection['sentences'] {
  const { sources } = supplyOf(rig, supply);
  const isAhead = ({ circuit }: Load): boolean => {
    const bus = rig.circuits.find(({ id }) => id === circuit)?.bus;
    return rig.sources.some((source) => source.bus === bus);
  };
  const reasonOf = ({ load: id }: CardItem): 'notHere' | 'needsSource' | 'tooMuch' => {
    const load = loadOf(rig, id);
    if (load.neverOn?.includes(supply)) return 'notHere';
    return sources.length === 0 && isAhead(load) ? 'needsSource' : 'tooMuch';
  };
  return (['tooMuch', 'needsSource', 'notHere'] as const).flatMap((reason) => {
    const names = items
      .filter((item) => reasonOf(item) === reason)
      .map((item) => inSentence(itemName(rig, item, texts)));
    return names.length > 0 ? [{ strong: '', rest: texts[reason](names) }] : [];
  });
}

/** What waits after a stop stands with the orders; loads that wait as long stand together. */
function withWaits(
  rig: Rig,
  { always, oneAtATime }: CardPlan,
  texts: CardTexts,
  orders: readonly CardSection[],
): readonly CardSection[] {
  const byMinutes = new Map<number, string[]>();
  for (const { load } of [...always, ...oneAtATime]) {
    const minutes = Math.ceil(restartWaitOf(loadOf(rig, load)) / SECONDS_PER_MINUTE);
    if (minutes > 0) byMinutes.set(minutes, [...(byMinutes.get(minutes) ?? []), loadOf(rig, load).name]);
  }
  const waits = [...byMinutes].map(([minutes, names]) => ({ strong: '', rest: texts.waits(names, minutes) }));
  if (waits.length === 0) return orders;
  const [first] = orders;
  return [
    {
      mark: 'order',
      head: texts.order,
      names: [],
      sentences: [...(first?.sentences ?? []), ...waits],
    },
  ];
}

function darkSteps(rig: Rig, plan: CardPlan, ask: string, texts: CardTexts): readonly string[] {
  const { sources } = supplyOf(rig, plan.supply);
  const isGenerator = rig.sources.some(({ id, kind }) => sources.includes(id) && kind === 'generator');
  const inverters = rig.converters.filter(({ kind }) => kind.startsWith('inverter'));
  const itself = plan.always
    .map(({ load }) => loadOf(rig, load))
    .filter(({ usage }) => usage === 'by-itself')
    .map(({ name }, index) => (index === 0 ? name : inSentence(name)));
  return [
    plan.oneAtATime.length > 0 ? texts.switchOffThese : texts.switchOffLast,
    ...(sources.length === 0 ? [] : [isGenerator ? texts.lookAtTheGenerator : texts.lookAtTheHookup]),
    ...inverters.map(({ name, resetAt }) => texts.reset(name, resetAt)),
    texts.wait(itself, USUAL_WAIT_MINUTES),
    texts.oneByOne,
    texts.danger(ask.trim() === '' ? texts.somebody : ask.trim()),
  ];
}
