<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { item } from '$lib/queries';
  import { money, quantity, words } from '$lib/format';
  import { itemHref, pointHref } from '$lib/links';
  import SourceTile from '$lib/ui/SourceTile.svelte';
  import BomTree from './BomTree.svelte';

  interface Props {
    code: string;
    today: string;
    currency: string;
  }
  let { code, today, currency }: Props = $props();
  const detail = createQuery(() => item(code));
  const minutes = (value: number | null | undefined) => (value ? `${quantity(value)} min` : '');
</script>

{#if detail.isError}
  <p class="p-5 text-ink-2" role="alert">{detail.error.message}.</p>
{:else if detail.data}
  {@const d = detail.data}
  <article class="px-5 pt-3 pb-6">
    <h2 class="flex items-baseline gap-2.5 text-xl">
      {d.item.code}
      <span class="text-base font-normal text-ink-2" style="font-stretch: 96%">{d.item.name}</span>
    </h2>
    <p class="mt-0.5 flex flex-wrap gap-x-5 text-ink-2">
      <span>Kind <b class="text-ink">{d.item.kind}</b></span>
      <span>Unit <b class="text-ink">{d.item.unit}</b></span>
      {#if d.item.planner}<span>Planner <b class="text-ink">{d.item.planner}</b></span>{/if}
      {#if d.standardCost}<span>Standard cost <b class="text-ink">{money(d.standardCost, currency)}</b></span
        >{/if}
      {#if d.price}<span>Price <b class="text-ink">{money(d.price, currency)}</b></span>{/if}
    </p>
    <h3 class="section mt-4">Stock points</h3>
    {#if d.points.length > 0}
      <table class="grid-table">
        <thead>
          <tr>
            <th>Site</th><th>Source</th><th>Rule</th><th class="num">Lead time</th><th class="num">Safety</th>
            <th class="num">On hand</th><th class="num">On order</th><th class="num">Planned</th><th
              class="num">Signals</th
            >
          </tr>
        </thead>
        <tbody>
          {#each d.points as point (point.site)}
            <tr>
              <td><a class="link" href={pointHref(d.item.code, point.site)}>{point.siteName}</a></td>
              <td>
                <span class="flex items-center gap-1.5"
                  ><SourceTile source={point.source} stage="firmed" />{point.partner ?? point.source}</span
                >
              </td>
              <td>{words(point.rule)}</td>
              <td class="num">{point.leadTimeDays} d</td>
              <td class="num">{quantity(point.safetyStock)}</td>
              <td class="num"><b>{quantity(point.onHand)}</b></td>
              <td class="num">{quantity(point.onOrder)}</td>
              <td class="num">{point.plannedOrders}</td>
              <td class="num">{point.signals}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    {:else}
      <p class="py-1.5 text-ink-2">
        {d.item.kind === 'kit'
          ? 'A kit is never stocked itself: it is kept as its parts.'
          : 'It is stocked nowhere.'}
      </p>
    {/if}
    <h3 class="section mt-5">Bill of materials</h3>
    {#if d.components.length > 0}
      <BomTree rows={d.components} {today} />
    {:else}
      <p class="py-1.5 text-ink-2">It has no components.</p>
    {/if}
    {#if d.operations.length > 0}
      <h3 class="section mt-5">Operations</h3>
      <table class="grid-table" data-testid="operations">
        <thead>
          <tr>
            <th>Step</th><th>Work center</th><th class="num">Queue</th><th class="num">Setup</th><th
              class="num">Run</th
            ><th class="num">Move</th>
          </tr>
        </thead>
        <tbody>
          {#each d.operations as operation (operation.step + operation.siteName)}
            <tr title={operation.note ?? undefined}>
              <td>{operation.step}</td>
              <td>{operation.workCenter}{operation.siteName ? `, ${operation.siteName} only` : ''}</td>
              <td class="num">{minutes(operation.queue)}</td>
              <td class="num">{minutes(operation.setup)}</td>
              <td class="num">{minutes(operation.runPerUnit)}{operation.runPerUnit ? ' each' : ''}</td>
              <td class="num">{minutes(operation.move)}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    {/if}
    {#if d.alternatives.length > 0}
      <h3 class="section mt-5">Alternatives</h3>
      <ul data-testid="alternatives">
        {#each d.alternatives as a, i (i)}
          <li class="grid grid-cols-[110px_minmax(0,1fr)_auto] gap-2 border-b border-line-2 py-1">
            <a class="link" href={itemHref(a.item)}>{a.item}</a>
            <span
              >{a.itemName}
              <span class="text-ink-2"
                >{a.instead ? 'can be replaced by this' : 'can take its place'}{a.factor === 1
                  ? ''
                  : `, ${quantity(a.factor)} for one`}, in {#if a.parent}<a
                    class="link"
                    href={itemHref(a.parent)}>{a.parent}</a
                  >{:else}everything made of it{/if}</span
              ></span
            >
            <span>{quantity(a.onHand)} <small class="text-ink-3">{a.unit} on hand</small></span>
          </li>
        {/each}
      </ul>
    {/if}
    {#if d.usedIn.length > 0}
      <h3 class="section mt-5">Where used</h3>
      <ul>
        {#each d.usedIn as use (use.parent)}
          <li class="grid grid-cols-[110px_minmax(0,1fr)_auto] gap-2 border-b border-line-2 py-1">
            <a class="link" href={itemHref(use.parent)}>{use.parent}</a><span>{use.parentName}</span>
            <span>{quantity(use.quantity)} <small class="text-ink-3">{use.unit} each</small></span>
          </li>
        {/each}
      </ul>
    {/if}
  </article>
{:else}
  <p class="p-5 text-ink-2">Reading the item …</p>
{/if}
