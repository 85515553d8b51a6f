/** Customer order lines that are left out for a moment; the plan that is shown is then a trial. */
class Trial {
  without = $state.raw<string[]>([]);
  on = $derived(this.without.length > 0);
}

export const trial = new Trial();
