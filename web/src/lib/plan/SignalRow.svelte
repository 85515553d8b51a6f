<script lang="ts">
  import type { Mark } from '$lib/changes/changes';
  import { date, words, said } from '$lib/format';
  import { initials, people } from '$lib/people.svelte';
  import type { SignalRow } from './plan.svelte';

  interface Props {
    row: SignalRow;
    today: string;
    here: boolean;
    selected: boolean;
    /** What became of the customer order it speaks of. */
    mark?: Mark;
    onopen: () => void;
    /** All rows up to this one are meant. */
    onrange: () => void;
    ontoggle: () => void;
  }
  let { row, today, here, selected, mark, onopen, onrange, ontoggle }: Props = $props();
  const there = $derived(people.at(row.signal.item, row.signal.site));
</script>

<!-- svelte-ignore a11y_click_events_have_key_events -->
<div
  class="plan-row"
  class:here
  style:grid-template-columns="14px 19px minmax(0, 1fr)"
  role="option"
  aria-selected={selected}
  tabindex="-1"
  id="order-{row.key}"
  onmousedown={(e) => e.shiftKey && e.preventDefault()}
  onclick={(e) => (e.shiftKey ? onrange() : onopen())}
>
  <span
    class="box"
    class:on={selected}
    role="presentation"
    onclick={(e) => {
      e.stopPropagation();
      ontoggle();
    }}
  ></span>
  <span class="flag" class:bad={row.signal.bad} aria-hidden="true">!</span>
  <span class="what">
    <span class="name">
      <b>{row.signal.item}</b>
      {row.itemName} · <b class:short={row.signal.bad}>{words(row.signal.kind)}</b>
    </span>
    <span class="where" title={said(row.signal.sentence)}>
      {#each there as person (person.login)}<abbr class="person" title="{person.name} is here"
          >{initials(person.name)}</abbr
        >{/each}
      {#if mark}<span class="mark" title="since your last visit: {mark.says}">{mark.word}</span>{/if}
      {#if row.asked}<b
          >asked {row.partner ?? ''}
          {row.asked.due ? `for ${date(row.asked.due, today)}` : 'to cancel'}</b
        > ·
      {/if}
      {said(row.signal.sentence)}
    </span>
  </span>
</div>
