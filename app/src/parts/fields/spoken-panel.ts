const STATES = ['aria-selected', 'aria-disabled'];

/**
 * What the library leaves unsaid of an open panel of dates or times: that it is a dialog of its own, and that a day is
 * selected, which it says of something within the cell where nobody reads it.
 */
export function speakPanel(name: string): void {
  for (const panel of document.querySelectorAll('.ant-picker-dropdown .ant-picker-panel-container')) {
    if (panel.getAttribute('role') !== 'dialog') {
      panel.setAttribute('role', 'dialog');
      panel.setAttribute('aria-label', name);
    }
    for (const inner of panel.querySelectorAll('.ant-picker-cell-inner[aria-selected]'))
      for (const state of STATES) {
        inner.parentElement?.setAttribute(state, inner.getAttribute(state) ?? 'false');
        inner.removeAttribute(state);
      }
  }
}
