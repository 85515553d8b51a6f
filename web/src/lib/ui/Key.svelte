<script lang="ts">
  let { name, dark = false }: { name: string; dark?: boolean } = $props();
</script>

<kbd class:dark>{name}</kbd>

<style>
  kbd {
    display: inline-grid;
    place-items: center;
    min-width: 18px;
    height: 18px;
    padding: 0 4px;
    border: 1px solid var(--line);
    border-radius: var(--radius);
    background: var(--slip);
    color: var(--ink-2);
    font: 400 11px var(--font-mono);
  }
  .dark {
    background: transparent;
    border-color: var(--bar-line);
    color: var(--bar-text);
  }
</style>
