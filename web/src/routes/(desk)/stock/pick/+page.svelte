<script lang="ts">
  import { count, quantity, said } from '$lib/format';
  import { keyOf, PickScreen } from '$lib/stock/pick-screen.svelte';
  import PostedLine from '$lib/stock/PostedLine.svelte';
  import ScanField from '$lib/stock/ScanField.svelte';
  import Key from '$lib/ui/Key.svelte';
  import Sheet from '$lib/ui/Sheet.svelte';

  const screen = new PickScreen();
</script>

<svelte:head><title>Pick list · Rescient</title></svelte:head>

<Sheet title="Pick list">
  {#snippet head()}
    <p class="min-w-0 flex-1 truncate">
      <b>Pick list</b> for {#each screen.numbers as number, i (number)}{i > 0 ? ', ' : ''}<a
          class="link"
          href={screen.hrefOf(number)}>{number}</a
        >{/each}
    </p>
    <ScanField />
  {/snippet}
  <form
    class="mx-auto max-w-[640px] px-4 pb-4"
    data-testid="picks"
    onsubmit={(e) => {
      e.preventDefault();
      void screen.posting.post();
    }}
  >
    {#if screen.lines.isError}
      <p class="mt-4 text-ink-2" role="alert">{screen.lines.error.message}.</p>
    {:else if !screen.lines.data}
      <p class="mt-4 text-ink-2">Looking where it lies …</p>
    {:else if screen.picks.length === 0}
      <p class="mt-4 text-ink-2">Nothing is to be fetched for {screen.numbers.join(', ')}.</p>
    {/if}
    {#each screen.zones as zone, i (i)}
      <h2 class="section mt-3">{zone.name}</h2>
      <ul aria-label={zone.name}>
        {#each zone.picks as pick (keyOf(pick))}
          {@const done = screen.ticked.has(keyOf(pick))}
          <li class="border-b border-line-2">
            <label class="pick" class:done>
              <input
                type="checkbox"
                checked={done}
                disabled={!!pick.missing}
                onchange={() => screen.tick(pick)}
              />
              <span class="min-w-0 flex-1">
                <b>{pick.item}</b>
                {pick.itemName}
                {#if pick.lot}<span class="lot">{pick.lot}</span>{/if}
                <small class="block text-ink-2"
                  >for {pick.order}{#if pick.missing}<span class="ml-2 text-vermilion"
                      >{quantity(pick.missing)} {pick.unit} missing</span
                    >{/if}</small
                >
              </span>
              <span class="whitespace-nowrap"
                ><b class="text-lg">{quantity(pick.quantity)}</b> <small>{pick.unit}</small></span
              >
            </label>
          </li>
        {/each}
      </ul>
    {/each}
    {#each screen.posting.preview?.refused ?? [] as line, i (i)}<p class="mt-2 text-vermilion" role="alert">
        {said(line.sentence)}
      </p>{/each}
    <!-- Enter on what was ticked last posts it -->
    <button type="submit" class="sr-only" tabindex="-1">Post it</button>
  </form>
  {#snippet actions()}
    <span data-testid="fetched">{screen.fetched.length} of {count(screen.picks.length, 'place')} fetched</span
    >
    <PostedLine posting={screen.posting} />
    <span class="flex-1"></span>
    <button
      type="button"
      class="bar-action"
      disabled={!screen.posting.pressable}
      onclick={() => void screen.posting.post()}
      ><Key name="Enter" dark /> Post what is fetched: {screen.ready.length} of {screen.of}</button
    >
    <button type="button" class="bar-action" onclick={() => screen.print()}
      ><Key name="P" dark /> On paper</button
    >
  {/snippet}
</Sheet>

<style>
  .pick {
    display: flex;
    align-items: center;
    gap: 12px;
    min-height: 52px;
    padding: 6px 0;
    cursor: pointer;
  }
  .pick input {
    width: 22px;
    height: 22px;
    accent-color: var(--moss);
  }
  .done b:first-child {
    text-decoration: line-through;
  }
  .lot {
    border: 1px solid var(--line);
    border-radius: 2px;
    padding: 0 5px;
    font-family: 'IBM Plex Mono', monospace;
    font-size: 12px;
  }
</style>
