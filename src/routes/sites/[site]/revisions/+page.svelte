<script lang="ts">
	import { resolve } from '$app/paths';
	import { dayAndTime } from '$lib/text/when';
	import { count } from '$lib/text/format';

	let { data } = $props();
	const address = $derived(resolve('/sites/[site]/revisions', { site: data.site.id }));
	const last = $derived(data.revisions.at(-1)?.number ?? 1);
</script>

<svelte:head><title>Revisions · {data.site.name} · Zembo</title></svelte:head>

<div class="page">
	<h1>Revisions of the record</h1>
	<p class="soft">
		Every change makes one, and none is ever rewritten. A visit keeps the one it was made with.
	</p>
	<div class="columns">
		<ol>
			{#each data.revisions as { id, number, createdAt, visits } (id)}
				<li class:to={number === data.to} class:from={number === data.from}>
					<!-- eslint-disable svelte/no-navigation-without-resolve -- resolved above -->
					<a href="{address}?from={Math.max(1, number - 1)}&to={number}">
						<strong class="figure">{number}</strong>
						<span>{dayAndTime(createdAt, data.site.timeZone)}</span>
						<span class="soft">{visits > 0 ? count(visits, 'visit') : ''}</span>
					</a>
					<!-- eslint-enable svelte/no-navigation-without-resolve -->
				</li>
			{/each}
			{#if last > 1}
				<li>
					<!-- eslint-disable-next-line svelte/no-navigation-without-resolve -- resolved above -->
					<a href="{address}?from={data.from}&to={data.to}&below={last}">Older ones</a>
				</li>
			{/if}
		</ol>
		<section class="panel">
			<form method="GET">
				<h2>What changed</h2>
				<label
					>from <input
						name="from"
						value={data.typed.from}
						inputmode="numeric"
						class="figure"
					/></label
				>
				<label
					>to <input name="to" value={data.typed.to} inputmode="numeric" class="figure" /></label
				>
				<button class="act-plain">Compare</button>
			</form>
			{#if data.difference === null}
				<p class="notice" data-kind="error" role="alert">
					There is no such revision. They are numbered from 1 to {data.newest}: type two of these,
					or choose one of the list.
				</p>
			{:else if data.difference.length === 0}
				<p>
					{data.newest === 1
						? 'This is the first revision: nothing has changed yet.'
						: `Nothing differs between revision ${data.from} and ${data.to}.`}
				</p>
			{:else}
				<ul>
					{#each data.difference as words (words)}<li>{words}</li>{/each}
				</ul>
			{/if}
		</section>
	</div>
</div>

<style>
	h1 {
		font-size: 1.7rem;
	}

	.columns {
		display: grid;
		grid-template-columns: 22rem minmax(0, 1fr);
		gap: 2rem;
		align-items: start;
		margin-top: 1rem;
	}

	ol {
		border-top: var(--stroke) solid var(--rule);
	}

	ol a {
		display: grid;
		grid-template-columns: 3rem 1fr auto;
		align-items: center;
		min-height: 46px;
		padding: 0 0.7rem;
		border-bottom: 1px solid var(--line);
		color: var(--ink);
		text-decoration: none;
	}

	ol a:hover,
	.to a {
		background: var(--lit);
	}

	section {
		padding: 1.1rem 1.4rem;
	}

	form {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.5rem 1.2rem;
		margin-bottom: 0.6rem;
	}

	h2 {
		font-size: 1.2rem;
	}

	input {
		width: 4.5rem;
		min-height: 44px;
		padding: 0 0.5rem;
		background: var(--paper);
		color: var(--ink);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
	}

	section li {
		padding: 0.35rem 0;
		border-top: 1px solid var(--line);
	}

	@media (max-width: 900px) {
		.columns {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
