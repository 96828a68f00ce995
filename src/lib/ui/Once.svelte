<script lang="ts">
  import { afterNavigate } from '$app/navigation';
  import { newId } from './newId';
  import { page } from '$app/state';

  /** In a form that makes something new: says which filling-in of it this is, so that sent twice it is kept once. */
  let id = $state(newId());
  const renew = () => (id = newId());
  afterNavigate(renew);
  // What was kept makes room for the next; what was refused is still the same.
  $effect(() => {
    if (page.form && !('problem' in page.form)) renew();
  });
</script>

<input type="hidden" name="once" value={id} />
