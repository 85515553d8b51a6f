<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import { quantity } from '$lib/format';
  import type { Allocation } from './turn';

  /** What there is of an item at each site in one picture: on hand, on order, planned; what customers want under it. */
  interface Props {
    all: Allocation;
    onchoose: (site: string) => void;
  }
  let { all, onchoose }: Props = $props();
  const WIDTH = 300;
  const most = $derived(
    Math.max(1, ...all.sites.map((s) => Math.max(s.onHand + s.onOrder + s.planned, s.wanted)))
  );
  const x = $derived(scaleLinear([0, most], [0, WIDTH]));
</script>

<ul class="sites" aria-label="Available by site">
  {#each all.sites as s (s.site)}
    <li class:here={s.site === all.site}>
      <button type="button" class="name" onclick={() => onchoose(s.site)} aria-pressed={s.site === all.site}
        >{s.siteName}</button
      >
      <svg
        width={WIDTH + 4}
        height="26"
        role="img"
        aria-label="{s.siteName}: {quantity(s.onHand)} on hand, {quantity(s.onOrder)} on order, {quantity(
          s.planned
        )} planned, {quantity(s.wanted)} wanted by customers"
      >
        <rect x="1" y="3" width={x(s.onHand)} height="10" fill="var(--ink)" />
        <rect x={1 + x(s.onHand)} y="3" width={x(s.onOrder)} height="10" fill="var(--ink-3)" />
        <rect
          x={1 + x(s.onHand + s.onOrder)}
          y="3.5"
          width={x(s.planned)}
          height="9"
          fill="none"
          stroke="var(--ink)"
          stroke-dasharray="3 2"
        />
        <rect x="1" y="16" width={x(s.wanted)} height="6" fill="var(--slate)" />
      </svg>
      <span class="says"
        ><b>{quantity(s.onHand)}</b> on hand, {quantity(s.onOrder)} on order,
        <b>{quantity(s.free ?? 0)} free</b>;
        {quantity(s.wanted)} wanted{#if s.late > 0}, <b class="text-vermilion">{s.late} late</b>{/if}</span
      >
    </li>
  {/each}
</ul>

<style>
  .sites li {
    display: grid;
    grid-template-columns: 130px 306px minmax(0, 1fr);
    align-items: center;
    gap: 10px;
    padding: 2px 6px;
  }
  .sites li.here {
    background: var(--marigold-tint);
  }
  .name {
    text-align: left;
    text-decoration: underline;
    text-decoration-color: var(--marigold);
    text-decoration-thickness: 2px;
    text-underline-offset: 3px;
  }
  @media (max-width: 900px) {
    .sites li {
      grid-template-columns: minmax(0, 1fr);
    }
    .sites svg {
      max-width: 100%;
    }
  }
</style>
