import type { Page } from '@playwright/test';

/** Goes to a room, as the line of rooms has it: on a phone some stand behind one more touch. */
export async function goToRoom(page: Page, room: string): Promise<void> {
  const rooms = page.getByRole('navigation', { name: 'Rooms' });
  const link = rooms.getByRole('link', { name: room, exact: true });
  if (await link.isVisible()) {
    await link.click();
    return;
  }
  await rooms.getByRole('button', { name: /Other rooms/ }).click();
  await page.getByRole('menuitem', { name: room, exact: true }).click();
}
