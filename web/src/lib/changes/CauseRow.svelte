<script lang="ts">
  import { clock, count, date, dayOf, said } from '$lib/format';
  import OpenRow from '$lib/ui/OpenRow.svelte';
  import type { CauseLine, ChangesScreen } from './changes-screen.svelte';

  /** What happened, by whom, and how much changed by it. */
  interface Props {
    line: CauseLine;
    screen: ChangesScreen;
  }
  let { line, screen }: Props = $props();
</script>

<OpenRow
  id="cause-{'id' in line ? line.id : 'all'}"
  here={screen.isHere(line)}
  template={screen.columns.template}
  onopen={() => screen.choose(line)}
>
  {#if 'id' in line}
    <span class="text-ink-2" title={line.at}>{clock(line.at)}</span>
    <span class="what">
      <span class="name" title={said(line.sentence)}>{said(line.sentence)}</span>
      <span class="where"
        >{line.name ?? (line.kind === 'receipt' ? 'a receipt that did not come' : 'nobody')} ·
        {date(dayOf(line.at), screen.today)}</span
      >
    </span>
    <span class="num">
      {#if line.worse > 0}<span class="badge" title="customer order lines made late">{line.worse}</span>{/if}
      {#if line.orders > 0}{count(line.orders, 'order')}{:else}<span class="none">·</span>{/if}
    </span>
  {:else}
    <span></span>
    <span class="what"><span class="name"><b>Everything</b></span></span>
    <span class="num">{count(screen.changes.data?.orderCount ?? 0, 'order')}</span>
  {/if}
</OpenRow>
