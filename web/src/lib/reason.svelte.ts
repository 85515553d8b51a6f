import { halfTyped, keepHalfTyped } from '$lib/half-typed.svelte';

/** Why something goes back, while that is typed: it is about what was in view then, and there again after a reload. */
export class Reason {
  #typed = $state<{ of: string; text: string } | undefined>();

  /** @param of names what is in view; undefined: nothing that could go back */
  constructor(
    form: string,
    private readonly of: () => string | undefined
  ) {
    this.#typed = halfTyped<{ of: string; text: string } | null>(form) ?? undefined;
    keepHalfTyped(form, () => $state.snapshot(this.#typed) ?? null);
  }

  /** Undefined: it is not asked for. */
  get text(): string | undefined {
    return this.#typed && this.#typed.of === this.of() ? this.#typed.text : undefined;
  }

  set text(text: string | undefined) {
    const of = this.of();
    this.#typed = text === undefined || of === undefined ? undefined : { of, text };
  }
}
