/**
 * Gives an open list of the component library the roles and names it has none of: a list box with options, of which
 * one is the box's active one. Its rows come and go with every key, so they are watched for as long as it is open.
 *
 * @param box The input that keeps the focus.
 * @param panelClass A class that nothing else has, on the panel of this list.
 * @returns Ends the watch, and says that the list is closed.
 */
export function speakList(box: HTMLElement, panelClass: string): () => void {
  box.setAttribute('aria-expanded', 'true');
  const draw = (): void => nameParts(box, panelClass);
  const watch = new MutationObserver(draw);
  watch.observe(document.body, {
    subtree: true,
    childList: true,
    attributeFilter: ['class'],
  });
  draw();
  return () => {
    watch.disconnect();
    box.setAttribute('aria-expanded', 'false');
    for (const name of ['aria-controls', 'aria-activedescendant']) box.removeAttribute(name);
  };
}

function nameParts(box: HTMLElement, panelClass: string): void {
  const rows = document.querySelector(`.${panelClass} .cdk-virtual-scroll-content-wrapper`);
  if (!rows) return;
  const id = `${panelClass}-list`;
  set(rows, { role: 'listbox', id, 'aria-label': box.getAttribute('aria-label') ?? 'Choices' });
  set(box, { 'aria-controls': id });
  // Where it scrolls a keyboard must reach it, though its options are gone through from the box.
  set(rows.parentElement, { tabindex: '0' });
  set(rows.closest('.cdk-overlay-pane'), { role: 'region', 'aria-label': 'Choices' });
  rows.querySelectorAll('.ant-select-item-option').forEach((row, index) => {
    const isChosen = row.classList.contains('ant-select-item-option-selected');
    set(row, { role: 'option', id: `${id}-${index}`, 'aria-selected': String(isChosen) });
    if (row.classList.contains('ant-select-item-option-active'))
      set(box, { 'aria-activedescendant': row.id });
  });
}

/** Writes only what differs: a write is a change that is watched. */
function set(element: Element | null, attributes: Readonly<Record<string, string>>): void {
  for (const [name, value] of Object.entries(attributes))
    if (element && element.getAttribute(name) !== value) element.setAttribute(name, value);
}
