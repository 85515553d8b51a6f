<script lang="ts">
  import CauseRow from '$lib/changes/CauseRow.svelte';
  import { SINCE, told } from '$lib/changes/changes';
  import { ChangesScreen, type CauseLine } from '$lib/changes/changes-screen.svelte';
  import ChangesSheet from '$lib/changes/ChangesSheet.svelte';
  import { count, momentAt, said } from '$lib/format';
  import { orderHref } from '$lib/links';
  import PlanViews from '$lib/plan/PlanViews.svelte';
  import Key from '$lib/ui/Key.svelte';
  import Place from '$lib/ui/Place.svelte';

  const screen = new ChangesScreen();
  const today = $derived(screen.today);
  const changes = $derived(screen.changes);
  const cause = $derived(screen.cause);
</script>

<svelte:head><title>Changes · Rescient</title></svelte:head>

{#snippet row(line: CauseLine)}<CauseRow {line} {screen} />{/snippet}

<Place
  bind:this={screen.frame}
  bind:words={screen.words}
  title="Changes"
  filters="what caused them and who"
  query={changes}
  reading="Reading what changed …"
  empty="Nothing changed."
  rows={screen.lines}
  size={() => 37}
  key={(l) => ('id' in l ? String(l.id) : 'all')}
  follow={screen.at}
  active={cause ? `cause-${cause.id}` : 'cause-all'}
  list="minmax(330px, 384px)"
  columns={screen.columns}
  copied={() => screen.copied()}
  {row}
>
  {#snippet views()}<PlanViews />{/snippet}
  {#snippet chips()}
    {#each SINCE as choice (choice.code)}
      <button
        type="button"
        class="chip"
        aria-pressed={screen.since === choice.code}
        class:font-bold={screen.since === choice.code}
        onclick={() => screen.sinceCode(choice.code)}>since {choice.name}</button
      >
    {/each}
    <label class="chip" class:font-bold={screen.typed !== undefined}>
      since
      <input
        class="w-28 bg-transparent outline-none"
        class:text-vermilion={screen.unread}
        aria-label="since a moment"
        aria-invalid={screen.unread}
        title={screen.unread ? 'A day like 25 Nov, with a time like 14:30 if you want' : undefined}
        placeholder={screen.example}
        value={screen.typed ?? ''}
        onchange={(e) => screen.sinceTyped(e.currentTarget.value)}
      />
    </label>
  {/snippet}
  {#snippet detail()}
    {#if changes.isPending}
      <p class="p-4 text-ink-2">Reading what changed …</p>
    {:else if changes.isError}
      <div class="p-4" role="alert">
        <p>{changes.error.message}</p>
        <button class="plain-action mt-2" onclick={() => changes.refetch()}>Try again</button>
      </div>
    {:else}
      <div class="px-3 py-2" class:opacity-60={changes.isPlaceholderData} data-testid="changes">
        <header class="mb-2 flex items-baseline gap-3">
          <h2 class="min-w-0 flex-1 text-xl">
            {#if cause}{said(cause.sentence)}{:else}What changed since {screen.begun}{/if}
          </h2>
          <span class="whitespace-nowrap text-ink-2">{screen.plan.data?.company ?? ''}</span>
        </header>
        {#if cause}
          <p class="mb-2 text-ink-2">
            {cause.name ?? 'Nobody did it'}, {momentAt(cause.at, today)}{#if cause.number}
              · <a class="link" href={orderHref(cause.number)}>{cause.number}</a>{/if}
          </p>
        {/if}
        {#if screen.orders.length < screen.orderCount}
          <p class="mb-2 text-ink-2">
            The first {count(screen.orders.length, 'planned order')} to start, of {screen.orderCount}; all of
            them go into a file.
          </p>
        {/if}
        {#if changes.data.left > 0}
          <p class="mb-2 border-l-4 border-ink bg-slip px-3 py-2">
            {count(changes.data.left, 'more change')} of planned orders were too many to be kept one by one.
          </p>
        {/if}
        {#if screen.rows.length === 0}
          <p class="text-ink-2">
            {#if cause}No planned order and no customer order is otherwise because of this.
            {:else if changes.data.causes.length === 0}Nothing has happened, so nothing is otherwise.
            {:else}The plan is what it was: what happened left no trace, or was taken back.{/if}
          </p>
        {:else}
          <ChangesSheet
            promises={screen.promises}
            orders={screen.orders}
            causes={screen.causes}
            {today}
            cursor={screen.cursor}
            onpoint={(place) => (screen.cursor = place)}
          />
        {/if}
        {#if !cause && changes.data.causes.length > 0}
          <section class="print-only mt-4">
            <h3 class="title mb-1 text-[13px]">What happened</h3>
            <ul>
              {#each changes.data.causes as c (c.id)}
                <li>{momentAt(c.at, today)} {told(c)}</li>
              {/each}
            </ul>
          </section>
        {/if}
      </div>
    {/if}
  {/snippet}
  {#snippet actions()}
    <span class="whitespace-nowrap" data-testid="selection">
      {count(screen.orders.length, 'planned order')}, {count(screen.promises.length, 'customer order line')} changed
    </span>
    <button type="button" class="bar-action" disabled={screen.rows.length === 0} onclick={() => screen.open()}
      ><Key name="w" dark /> To what changed</button
    >
    <button type="button" class="bar-action" disabled={screen.rows.length === 0} onclick={() => screen.save()}
      ><Key name="E" dark /> Save as CSV</button
    >
    <button type="button" class="bar-action ml-auto" onclick={() => window.print()}
      ><Key name="P" dark /> Print the morning sheet</button
    >
  {/snippet}
</Place>

<style>
  .print-only {
    display: none;
  }
  @media print {
    .print-only {
      display: block;
    }
  }
</style>
