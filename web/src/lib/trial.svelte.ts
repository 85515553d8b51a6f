/** The plan that is shown is not the live one: some customer order lines are left out for a moment, or it is a what-if. */
class Trial {
  without = $state.raw<string[]>([]);
  /** The number of a what-if. */
  whatIf = $state.raw<string | undefined>();
  on = $derived(this.without.length > 0 || this.whatIf !== undefined);

  /** Why nothing is decided here. */
  refusal = $derived(
    this.whatIf === undefined
      ? 'This is a trial. Put the demand back before anything is decided.'
      : 'This is a what-if. Go back to the live plan before anything is decided.'
  );

  /** What an address has to carry so that the same plan is shown there. */
  get params(): Record<string, string> {
    const params: Record<string, string> = {};
    if (this.without.length > 0) params.without = this.without.join(' ');
    if (this.whatIf !== undefined) params.whatif = this.whatIf;
    return params;
  }
}

export const trial = new Trial();
