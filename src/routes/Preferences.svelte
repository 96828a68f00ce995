<script lang="ts">
  import Settings from '@lucide/svelte/icons/sliders-horizontal';
  import type { Component, ComponentProps } from 'svelte';
  import type PreferencesPanel from './PreferencesPanel.svelte';

  /** Units and light: what is seldom asked for comes when it is. */
  type Props = ComponentProps<typeof PreferencesPanel>;
  let props: Props = $props();
  let Panel = $state<Component<Props>>();
  /** Nothing where the studio is away: asked again it is tried again. */
  const load = () =>
    import('./PreferencesPanel.svelte').then(
      (made) => made.default,
      () => undefined
    );
</script>

{#if Panel}
  <Panel {...props} />
{:else}
  <button
    type="button"
    class="btn btn-quiet"
    aria-label="Units and light"
    aria-haspopup="dialog"
    onpointerenter={load}
    onclick={async () => (Panel = await load())}><Settings size={20} /></button
  >
{/if}
