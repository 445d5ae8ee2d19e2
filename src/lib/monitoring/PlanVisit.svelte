<script lang="ts">
	import ArrowRight from '@lucide/svelte/icons/arrow-right';
	import { resolve } from '$app/paths';
	import Field from '$lib/ui/Field.svelte';

	interface Props {
		siteId: string;
		/** What the visit is for, in words. */
		reason: string;
	}
	let { siteId, reason }: Props = $props();
	let by = $state('');
	let errors = $state<string[]>([]);
</script>

<form
	method="POST"
	action="{resolve('/sites/[site]', { site: siteId })}?/visit"
	class="panel"
	aria-label="Plan a visit"
	onsubmit={(event) => {
		errors = by.trim() === '' ? ['Say who goes there.'] : [];
		if (errors.length > 0) event.preventDefault();
	}}
>
	<Field label="Who goes there" name="by" bind:value={by} {errors} autocomplete="name" />
	<input type="hidden" name="purpose" value="fault" />
	<input type="hidden" name="reason" value={reason} />
	<button class="act">Start the visit<ArrowRight size={20} aria-hidden="true" /></button>
	<p class="soft">
		Its plan begins with what this unit wants; what the monitoring says stands as its reason.
	</p>
</form>

<style>
	form {
		display: grid;
		gap: 0.7rem;
		padding: 1rem;
	}
</style>
