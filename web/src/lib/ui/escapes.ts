/** Leaves a form that stands in place with Escape, wherever in it the cursor is: `{@attach escapes(leave)}`. */
export function escapes(leave: () => void): (element: HTMLElement) => () => void {
  return (element) => {
    const keydown = (event: KeyboardEvent) => {
      if (event.key !== 'Escape') return;
      event.stopPropagation();
      leave();
    };
    element.addEventListener('keydown', keydown);
    return () => element.removeEventListener('keydown', keydown);
  };
}
