import { page } from '$app/state';

const PREFIX = 'half-typed ';

/** What was being typed on this page when it was reloaded; each is for one kind of form. */
export function halfTyped<T>(form: string): T | undefined {
  const kept = sessionStorage.getItem(PREFIX + page.url.pathname + ' ' + form);
  try {
    return kept === null ? undefined : (JSON.parse(kept) as T);
  } catch {
    return undefined;
  }
}

/** Keeps what is being typed until the form goes: it is there again after a reload, not after it was kept or left. */
export function keepHalfTyped(form: string, now: () => unknown): void {
  const key = PREFIX + page.url.pathname + ' ' + form;
  $effect(() => sessionStorage.setItem(key, JSON.stringify(now())));
  $effect(() => () => sessionStorage.removeItem(key));
}

/** Leaves something for a form of another page, which finds it there as if it had been typed. */
export function leaveHalfTyped(path: string, form: string, typed: unknown): void {
  sessionStorage.setItem(PREFIX + path + ' ' + form, JSON.stringify(typed));
}
