import { untrack } from 'svelte';

/**
 * The field in which typing begins when its form appears, wherever the cursor was before: `{@attach begins()}`. The browser's own
 * autofocus leaves the cursor in the list from which a form was opened, and what is typed then is taken for keys.
 *
 * @param when asked once: several fields of a form may be the first
 */
export function begins(when: () => boolean = () => true): (field: HTMLElement) => void {
  return (field) => {
    if (untrack(when)) field.focus();
  };
}
