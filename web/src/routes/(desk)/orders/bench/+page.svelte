<script lang="ts">
  import { BenchScreen, STATES } from '$lib/bench/bench-screen.svelte';
  import BenchTrack from '$lib/bench/BenchTrack.svelte';
  import DataViews from '$lib/data/DataViews.svelte';
  import { wordsInAddress } from '$lib/filter-words.svelte';
  import OrderPane from '$lib/orders/OrderPane.svelte';
  import { ORDER_VIEWS } from '$lib/orders/views';
  import KeptLine from '$lib/plan/KeptLine.svelte';
  import Chooser from '$lib/ui/Chooser.svelte';
  import Key from '$lib/ui/Key.svelte';
  import Sheet from '$lib/ui/Sheet.svelte';

  const screen = new BenchScreen();
  let box = $state<HTMLInputElement>();
  screen.frame = { focusFilter: () => box?.focus() };
  wordsInAddress(
    () => screen.words,
    (words) => (screen.words = words)
  );
</script>

<svelte:head><title>Workbench · Rescient</title></svelte:head>

<Sheet title="Workbench">
  {#snippet head()}
    <DataViews views={ORDER_VIEWS} label="Views of the orders" />
    <Chooser
      name="Those that"
      value={screen.state}
      choices={STATES}
      onchoose={(v) => screen.filter('state', v)}
    />
    {#if screen.center}<button type="button" class="chip" onclick={() => screen.filter('center', undefined)}
        >at {screen.center} ×</button
      >{/if}
    <label class="chip"
      ><input
        bind:this={box}
        bind:value={screen.words}
        class="w-[150px] bg-transparent outline-none"
        placeholder="filter"
        aria-label="Filter by order, item or what it waits for"
        autocomplete="off"
        spellcheck="false"
        onkeydown={(e) => {
          if (e.key === 'Escape' || e.key === 'Enter') box?.blur();
        }}
      /><Key name="/" /></label
    >
  {/snippet}
  <div class="both">
    <div class="overflow-y-auto" data-testid="benches">
      {#if screen.query.isError}<p class="p-5" role="alert">{screen.query.error?.message}.</p>
      {:else if screen.query.isPending}<p class="p-5 text-ink-2" role="status">Looking what can start …</p>
      {:else}
        {#each screen.benches as bench (bench.code ?? '')}<BenchTrack {screen} {bench} />
        {:else}<p class="p-5 text-ink-2">
            {screen.state || screen.sought
              ? 'Nothing at any work center fits these filters.'
              : 'Nothing is to be made: release production orders in the Plan.'}
          </p>{/each}
      {/if}
    </div>
    <div class="overflow-y-auto border-l border-line">
      {#if screen.here}
        <OrderPane
          bind:this={screen.pane}
          number={screen.here.number}
          today={screen.today}
          currency={screen.currency}
        />
      {:else}<p class="grid h-full place-content-center p-5 text-center text-ink-2">
          Choose a card to issue its parts, report what was made or finish it. Drag it, or press &lt; and
          &gt;, to change the sequence.
        </p>{/if}
    </div>
  </div>
  {#snippet actions()}
    {#if screen.query.data}
      {@const all = screen.query.data}
      <span class="whitespace-nowrap" data-testid="sum"
        >{all.canStart} can start, {all.runs} run, {all.waits} wait{#if all.late}, <b>{all.late} late</b
          >{/if}</span
      >
    {/if}
    {#if screen.doing.refused}<span
        class="min-w-0 flex-1 truncate text-marigold"
        role="alert"
        title={screen.doing.refused}>{screen.doing.refused}</span
      >{:else}<KeptLine last={screen.last} />{/if}
    {#if screen.here}<button type="button" class="bar-action" onclick={() => screen.pane?.next()}
        ><Key name="n" dark /> Next step</button
      >
      <button type="button" class="bar-action" onclick={() => screen.pickList()}
        ><Key name="L" dark /> Pick list</button
      >{/if}
    <button type="button" class="bar-action" onclick={() => screen.save()}
      ><Key name="E" dark /> Save as CSV</button
    >
  {/snippet}
</Sheet>

<style>
  .both {
    display: grid;
    height: 100%;
    grid-template-columns: minmax(0, 1fr) minmax(340px, 36%);
  }
</style>
