/** True while a dialog is open: the keys and the focus are its own. */
export const isDialogOpen = (): boolean => document.querySelector('[role=dialog], [role=alertdialog]') !== null;

/** Gives a part of the screen the focus once it is drawn, unless a dialog has it. */
export function focusOnScreen(find: () => HTMLElement | undefined): void {
  setTimeout(() => {
    if (!isDialogOpen()) find()?.focus({ preventScroll: true });
  });
}
