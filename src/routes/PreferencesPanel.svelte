<script lang="ts">
  import { enhance } from '$app/forms';
  import { page } from '$app/state';
  import Settings from '@lucide/svelte/icons/sliders-horizontal';
  import { Popover } from 'bits-ui';
  import type { Units } from '$lib/contract/fields';
  import { sending } from '$lib/ui/sending';
  import Choices from '$lib/ui/Choices.svelte';

  type Props = { units: Units; theme: 'light' | 'dark' | 'system'; hasHints: boolean };
  let { units, theme, hasHints }: Props = $props();
  /** The light is set on the page's root by the server, so the page is loaded anew. */
  const reload = async () => location.reload();
  /** It is made when it was asked for. */
  let open = $state(true);
  const back = $derived(page.url.pathname + page.url.search);
</script>

<Popover.Root bind:open>
  <Popover.Trigger class="btn btn-quiet" aria-label="Units and light"><Settings size={20} /></Popover.Trigger>
  <!-- In its place, not at the end of the page: it belongs to the region it speaks of. -->
  <Popover.Content
    strategy="fixed"
    sideOffset={4}
    collisionPadding={12}
    class="z-50 w-80 rounded-soft border border-edge bg-paper p-4 shadow-raised"
  >
    <form method="POST" action="/preferences" class="flex flex-col gap-4" use:enhance={sending(reload)}>
      <input type="hidden" name="back" value={back} />
      <Choices
        legend="Lengths"
        name="length"
        value={units.length}
        choices={[
          { value: 'cm', label: 'cm' },
          { value: 'in', label: 'inches' }
        ]}
      />
      <Choices
        legend="Weights"
        name="mass"
        value={units.mass}
        choices={[
          { value: 'kg', label: 'kg' },
          { value: 'lb', label: 'lb' }
        ]}
      />
      <Choices
        legend="Light"
        name="theme"
        value={theme}
        choices={[
          { value: 'system', label: 'As the device' },
          { value: 'light', label: 'Light' },
          { value: 'dark', label: 'Dark room' }
        ]}
      />
      <Choices
        legend="Hints at the stations"
        name="hints"
        value={hasHints ? 'on' : 'off'}
        choices={[
          { value: 'on', label: 'Once each' },
          { value: 'off', label: 'None' }
        ]}
      />
      <button class="btn btn-primary">Use these</button>
    </form>
  </Popover.Content>
</Popover.Root>
