<script lang="ts">
  /** A filter: its name, and one of a few values or all. */
  interface Props {
    name: string;
    value: string | undefined;
    choices: { code: string; name: string }[];
    all?: string;
    onchoose: (value: string | undefined) => void;
  }
  let { name, value, choices, all = 'all', onchoose }: Props = $props();
</script>

<label class="chip" class:set={value !== undefined}>
  {name}
  <select value={value ?? ''} onchange={(e) => onchoose(e.currentTarget.value || undefined)}>
    <option value="">{all}</option>
    {#each choices as choice (choice.code)}<option value={choice.code}>{choice.name}</option>{/each}
  </select>
</label>

<style>
  .set {
    border-color: var(--ink);
  }
</style>
