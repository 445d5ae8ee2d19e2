<script lang="ts">
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
	import { day } from '$lib/text/when';
	import { count } from '$lib/text/format';

	let { data } = $props();
	const KINDS = [
		{ key: 'sites', words: 'Sites' },
		{ key: 'parts', words: 'Parts and serials' },
		{ key: 'visits', words: 'Visits' },
		{ key: 'findings', words: 'Findings' },
		{ key: 'repairs', words: 'Repairs' }
	] as const;
	/** Kinds that are shown; the address says it. */
	const only = $derived(page.url.searchParams.get('in'));
	const total = $derived(KINDS.reduce((sum, { key }) => sum + data.found[key].length, 0));
	const address = (kind: string | null) => {
		const query = new URLSearchParams({ q: data.question, ...(kind && { in: kind }) });
		return `${resolve('/search')}?${query}`;
	};
	const placeOf = (hit: (typeof data.found.parts)[number]) => {
		const site = { site: hit.siteId };
		switch (hit.kind) {
			case 'part':
				return resolve('/sites/[site]/array-record/parts/[part]', { ...site, part: hit.id });
			case 'module-type':
				return resolve('/sites/[site]/array-record/module-types/[type]', { ...site, type: hit.id });
			default:
				return resolve('/sites/[site]/array-record/strings/[string]', { ...site, string: hit.id });
		}
	};
</script>

<svelte:head><title>Search · Zembo</title></svelte:head>

<div class="page">
	<h1>Search</h1>
	<form role="search" action={resolve('/search')}>
		<label>
			<span class="sr-only">What to look for</span>
			<input
				name="q"
				type="search"
				value={data.question}
				placeholder="Site, mark, serial, finding, cause"
				maxlength="100"
			/>
		</label>
		<button class="act">Search</button>
	</form>
	{#if data.question.trim() !== ''}
		<nav aria-label="What is shown">
			<!-- eslint-disable svelte/no-navigation-without-resolve -- resolved above -->
			<a href={address(null)} aria-current={only === null ? 'true' : undefined}>All {total}</a>
			{#each KINDS as { key, words } (key)}
				{#if data.found[key].length > 0}
					<a href={address(key)} aria-current={only === key ? 'true' : undefined}
						>{words} {data.found[key].length}</a
					>
				{/if}
			{/each}
			<!-- eslint-enable svelte/no-navigation-without-resolve -->
		</nav>
		{#if total === 0}
			<p class="notice">
				Nothing has all of these words. Fewer words find more; a serial may be typed in part.
			</p>
		{/if}
		{#if (only === null || only === 'sites') && data.found.sites.length > 0}
			<section>
				<h2>{count(data.found.sites.length, 'site')}</h2>
				<ul class="lines">
					{#each data.found.sites as { id, name, place } (id)}
						<li>
							<a href={resolve('/sites/[site]', { site: id })}>{name}</a>
							<span class="soft">{place}</span>
						</li>
					{/each}
				</ul>
			</section>
		{/if}
		{#if (only === null || only === 'parts') && data.found.parts.length > 0}
			<section>
				<h2>Parts and serials</h2>
				<ul class="lines">
					{#each data.found.parts as hit (`${hit.siteId} ${hit.id} ${hit.name}`)}
						<li>
							<!-- eslint-disable-next-line svelte/no-navigation-without-resolve -- resolved above -->
							<a href={placeOf(hit)}>{hit.name}</a>
							{hit.said} <span class="soft">{hit.siteName}</span>
						</li>
					{/each}
				</ul>
			</section>
		{/if}
		{#each [{ key: 'visits', words: 'Visits' }, { key: 'findings', words: 'Findings' }, { key: 'repairs', words: 'Repairs' }] as const as { key, words } (key)}
			{#if (only === null || only === key) && data.found[key].length > 0}
				<section>
					<h2>{words}</h2>
					<ul class="lines">
						{#each data.found[key] as hit, i (`${hit.visitId} ${i}`)}
							<li>
								<a href={resolve('/visits/[visit]/report', { visit: hit.visitId })}
									>{hit.siteName}, {day(hit.startedAt, hit.timeZone)}</a
								>
								{hit.words}
							</li>
						{/each}
					</ul>
				</section>
			{/if}
		{/each}
	{/if}
</div>

<style>
	h1 {
		font-size: 2rem;
	}

	h2 {
		font-size: 1.2rem;
	}

	form {
		display: flex;
		gap: 0.6rem;
		margin: 0.8rem 0 1rem;
		max-width: 40rem;
	}

	label {
		flex: 1;
	}

	input {
		width: 100%;
		min-height: 44px;
		padding: 0.3rem 0.8rem;
		font-size: 1.1rem;
		background: var(--sheet);
		color: var(--ink);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
	}

	nav {
		display: flex;
		flex-wrap: wrap;
		gap: 0 1.2rem;
	}

	nav a {
		min-height: 44px;
		align-content: center;
	}

	[aria-current] {
		font-weight: 700;
		color: var(--ink);
		text-decoration: none;
	}

	section {
		margin-top: 1.4rem;
	}

	.lines a {
		display: inline-block;
		min-height: 32px;
		align-content: center;
		margin-inline-end: 0.5rem;
	}
</style>
