<script lang="ts">
	let { words }: { words: string | undefined } = $props();
</script>

{#if words}<p class="notice" data-kind="error" role="alert">{words}</p>{/if}

<style>
	p {
		grid-column: 1 / -1;
		margin-block: 0.6rem;
	}
</style>
