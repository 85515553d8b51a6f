<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { tableRows } from '$lib/queries';

  /** The sites and what goes between them: one line for each pair, as thick as many items go that way. */
  let { here }: { here: string } = $props();
  const sites = createQuery(() => tableRows({ table: 'sites', limit: 60 }));
  const transfers = createQuery(() =>
    tableRows({ table: 'planning', column: 'source', value: ['transfer'] })
  );
  const outwork = createQuery(() =>
    tableRows({ table: 'planning', column: 'source', value: ['subcontract'] })
  );
  const WIDTH = 560;
  const HEIGHT = 250;
  const all = $derived(sites.data?.rows ?? []);
  const place = $derived(
    new Map(
      all.map((s, i) => {
        const turn = (i / Math.max(1, all.length)) * 2 * Math.PI - Math.PI / 2;
        return [
          s['code'] ?? '',
          {
            x: WIDTH / 2 + Math.cos(turn) * (WIDTH / 2 - 90),
            y: HEIGHT / 2 + Math.sin(turn) * (HEIGHT / 2 - 34),
            name: s['name'] ?? s['code'] ?? '',
            kind: s['kind'] ?? ''
          }
        ];
      })
    )
  );
  const ways = $derived.by(() => {
    const count: Record<string, number> = {};
    for (const row of [...(transfers.data?.rows ?? []), ...(outwork.data?.rows ?? [])]) {
      const way = `${row['from_site']}\u0000${row['site']}`;
      count[way] = (count[way] ?? 0) + 1;
    }
    return Object.entries(count).flatMap(([way, items]) => {
      const [from, to] = way.split('\u0000');
      const [a, b] = [place.get(from ?? ''), place.get(to ?? '')];
      return a && b && from !== to ? [{ from: a, to: b, items, mine: from === here || to === here }] : [];
    });
  });
</script>

<h3 class="section mt-5">What goes between the sites</h3>
<svg
  width={WIDTH}
  height={HEIGHT}
  class="max-w-full"
  role="img"
  aria-label="The sites and what goes between them"
  data-testid="network"
>
  <defs>
    <marker
      id="way"
      viewBox="0 0 8 8"
      refX="7"
      refY="4"
      markerWidth="9"
      markerHeight="9"
      markerUnits="userSpaceOnUse"
      orient="auto"
    >
      <path d="M0 0L8 4L0 8z" fill="var(--ink-2)" />
    </marker>
  </defs>
  {#each ways as way, i (i)}
    {@const dx = way.to.x - way.from.x}
    {@const dy = way.to.y - way.from.y}
    {@const long = Math.hypot(dx, dy)}
    <line
      x1={way.from.x + (dx / long) * 44}
      y1={way.from.y + (dy / long) * 22}
      x2={way.to.x - (dx / long) * 60}
      y2={way.to.y - (dy / long) * 26}
      stroke={way.mine ? 'var(--marigold)' : 'var(--ink-3)'}
      stroke-width={1 + Math.log2(way.items)}
      marker-end="url(#way)"
    />
    <text x={(way.from.x + way.to.x) / 2 + 6} y={(way.from.y + way.to.y) / 2 - 4} class="count"
      >{way.items} {way.items === 1 ? 'item' : 'items'}</text
    >
  {/each}
  {#each place as [code, site] (code)}
    <g transform="translate({site.x} {site.y})">
      <rect x="-62" y="-17" width="124" height="34" rx="2" class:here={code === here} />
      <text text-anchor="middle" y="-1" class="name">{site.name}</text>
      <text text-anchor="middle" y="11" class="count">{site.kind}</text>
    </g>
  {/each}
</svg>

<style>
  rect {
    fill: var(--slip);
    stroke: var(--ink);
  }
  rect.here {
    stroke: var(--marigold);
    stroke-width: 2.5;
  }
  .name {
    font-size: 12px;
    font-weight: 600;
    fill: var(--ink);
  }
  .count {
    font-size: 10.5px;
    fill: var(--ink-2);
  }
</style>
