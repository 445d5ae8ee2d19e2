<script lang="ts">
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
</script>

<svelte:head><title>{page.status} · Zembo</title></svelte:head>

<div class="page">
	<p class="figure soft">{page.status}</p>
	<h1>{page.error?.message}</h1>
	{#if page.error?.mend}<p class="mend">{page.error.mend}</p>{/if}
	<p class="next"><a class="act" href={resolve('/')}>To the sites</a></p>
</div>

<style>
	h1 {
		font-size: 1.9rem;
		margin: 0.3rem 0 0.8rem;
	}

	.mend {
		max-width: 46ch;
	}

	.next {
		margin-top: 1.5rem;
	}
</style>
