import { expect, test, type Page } from '@playwright/test';
import { readFileSync, writeFileSync } from 'node:fs';
import { DescribePage } from './describe-page.ts';
import { TogetherPage } from './together-page.ts';

interface AxNode {
  readonly nodeId: string;
  readonly ignored: boolean;
  readonly role?: { readonly value: string };
  readonly name?: { readonly value: string };
  readonly childIds?: readonly string[];
}

/** What adds nothing to what its children say. */
const SILENT = [
  'none',
  'generic',
  'InlineTextBox',
  'LineBreak',
  'paragraph',
  'LayoutTable',
  'LabelText',
  'Legend',
];
const SPOKEN_TEXT = 'StaticText';

/** What a screen reader comes by, in its order: Chromium's own accessibility tree, a line each. */
async function readingOrder(page: Page, within: string): Promise<string> {
  const client = await page.context().newCDPSession(page);
  const { nodes } = (await client.send('Accessibility.getFullAXTree')) as {
    readonly nodes: readonly AxNode[];
  };
  const byId = new Map(nodes.map((node) => [node.nodeId, node]));
  const isStart = ({ role, name }: AxNode): boolean => `${role?.value} ${name?.value}`.startsWith(within);
  const start = nodes.find(isStart);
  const lines: string[] = [];
  const walk = (node: AxNode | undefined, depth: number, said: string): void => {
    if (!node) return;
    const line = lineOf(node, said);
    if (line !== undefined) lines.push(`${'  '.repeat(depth)}${line}`.trimEnd());
    const deeper = line === undefined ? depth : depth + 1;
    for (const child of node.childIds ?? [])
      walk(byId.get(child), deeper, line === undefined ? said : nameOf(node));
  };
  walk(start, 0, '');
  await client.detach();
  return `${lines.join('\n')}\n`;
}

function nameOf({ name }: AxNode): string {
  return (name?.value ?? '').trim().replace(/\s+/g, ' ');
}

/** What a node says of its own; nothing where its children or what stands above it say it. */
function lineOf(node: AxNode, said: string): string | undefined {
  const role = node.role?.value ?? '';
  const name = nameOf(node);
  if (node.ignored) return undefined;
  if (role === SPOKEN_TEXT) return name === '' || said.includes(name) ? undefined : name;
  return SILENT.includes(role) ? undefined : `${role}: ${name}`;
}

/** HELIARCH_READING_ORDER=write keeps what is read now. */
function expectAsKept(name: string, text: string): void {
  const path = new URL(`../reading-order/${name}.txt`, import.meta.url);
  if (process.env['HELIARCH_READING_ORDER'] === 'write') writeFileSync(path, text);
  expect(text).toBe(readFileSync(path, 'utf8'));
}

test('a screen reader comes by everything in order, each with its name (accessibility tree of Chromium)', async ({
  page,
}) => {
  const together = new TogetherPage(page);
  const describe = new DescribePage(page);
  await together.open();
  await expect(page.getByRole('region', { name: 'What else' })).toContainText('Lights dip');
  expectAsKept('together', await readingOrder(page, 'main'));

  await describe.goTo('Loads');
  await describe.openLoad('Kettle');
  await expect(describe.editor).toContainText('On top of your set');
  expectAsKept('loads', await readingOrder(page, 'article Kettle'));

  await page.keyboard.press('Control+k');
  await expect(page.getByRole('combobox', { name: /^Search loads/ })).toBeFocused();
  await page.keyboard.type('output breaker');
  await expect(page.getByRole('option')).toHaveCount(1);
  expectAsKept('search', await readingOrder(page, 'dialog Search'));
});
