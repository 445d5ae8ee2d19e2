<script lang="ts">
	import FileInput from '@lucide/svelte/icons/file-input';
	import Plus from '@lucide/svelte/icons/plus';
	import { enhance } from '$app/forms';
	import { resolve } from '$app/paths';
	import { largestUpload, type Problem, tooLarge } from '$core/document';
	import { day } from '$lib/text/when';
	import { count, kilowatts } from '$lib/text/format';

	let { data, form } = $props();
	let refused = $state<Problem | null>(null);
	let reading = $state(false);
	const problem = $derived(refused ?? form?.problem ?? null);
</script>

<svelte:head><title>Sites · Zembo</title></svelte:head>

<div class="page">
	<div class="head">
		<div>
			<h1>Sites</h1>
			<p class="soft">
				Open an array, type what the meter shows, see at once whether each string is right.
			</p>
		</div>
		<div class="actions">
			<a class="act" href={resolve('/sites/new')}><Plus size={20} aria-hidden="true" />New site</a>
			<form
				method="POST"
				action="?/import"
				enctype="multipart/form-data"
				use:enhance={({ formData, cancel }) => {
					const file = formData.get('file');
					// A file that cannot be what its name says is not sent at all.
					const largest = file instanceof File ? largestUpload(file.name) : 0;
					refused =
						file instanceof File && file.size > largest ? tooLarge(file.size, largest) : null;
					if (refused) return cancel();
					reading = true;
					return async ({ update }) => {
						await update();
						reading = false;
					};
				}}
			>
				<label class="act-plain">
					<FileInput size={20} aria-hidden="true" />
					{reading ? 'Reading the file' : 'Import a file'}
					<input
						class="sr-only"
						type="file"
						name="file"
						accept="application/json,.json,application/zip,.zip"
						onchange={(event) => event.currentTarget.form?.requestSubmit()}
					/>
				</label>
				<noscript><button class="act-plain">Import</button></noscript>
			</form>
		</div>
	</div>

	{#if problem}
		<div class="notice" data-kind="error" role="alert">
			<p><strong>{problem.what}</strong></p>
			{#if problem.where}<p>Where: <span class="figure">{problem.where}</span></p>{/if}
			<p>{problem.mend} Nothing stored was changed.</p>
		</div>
	{/if}

	{#if data.sites.length === 0}
		<div class="empty panel">
			<svg viewBox="0 0 240 44" aria-hidden="true">
				<path d="M4 22H236" />
				{#each [0, 1, 2, 3, 4, 5] as i (i)}<rect
						x={28 + i * 24}
						y="8"
						width="18"
						height="28"
					/>{/each}
			</svg>
			<h2>No site yet</h2>
			<p>
				Make the first one from its label and its strings, or import a visit or an archive that
				somebody exported. With <span class="figure">npm run demo</span> Zembo starts with a made-up ferry
				terminal.
			</p>
		</div>
	{:else}
		<ul>
			{#each data.sites as site (site.id)}
				<li>
					<a href={resolve('/sites/[site]', { site: site.id })}>
						<span class="name"
							><strong>{site.name}</strong><span class="soft">{site.place}</span></span
						>
						<span class="sketch" aria-hidden="true">
							{#each site.outline.first as modules, i (i)}
								<span style:width="{Math.min(modules, 28) * 5}px"></span>
							{/each}
						</span>
						<span class="facts">
							<span class="figure">{kilowatts(site.outline.labelWatts)}</span>
							<span class="soft">
								{count(site.outline.strings, 'string')}, {count(site.outline.modules, 'module')}
							</span>
						</span>
						<span class="facts">
							{#if site.lastVisit}
								<span>{day(site.lastVisit, site.timeZone)}</span>
								<span class="soft">{count(site.visits, 'visit')}</span>
							{:else}
								<span class="soft">not visited yet</span>
							{/if}
						</span>
					</a>
				</li>
			{/each}
		</ul>
		{#if data.next}
			<p class="more">
				<a
					href="{resolve('/')}?after-name={encodeURIComponent(data.next.name)}&after={data.next.id}"
					>Next sites</a
				>
			</p>
		{/if}
	{/if}
	<p class="more soft">
		<a href={resolve('/search')}>Search</a> all sites, parts, serials and findings.
		<a href={resolve('/backup')}>Backups</a>: a checked copy of everything, now or by itself.
	</p>
	{#if data.backupFailed}
		<p class="notice failed" data-kind="error" role="alert">
			The scheduled backup failed. <a href={resolve('/backup')}>Look at the backups</a>
		</p>
	{/if}
</div>

<style>
	.failed {
		margin-top: 0.8rem;
	}

	.head {
		display: flex;
		flex-wrap: wrap;
		align-items: end;
		justify-content: space-between;
		gap: 1rem;
		margin-bottom: 1.5rem;
	}

	h1 {
		font-size: 2rem;
	}

	.actions {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem;
	}

	.actions label:focus-within {
		outline: 3px solid var(--accent);
		outline-offset: 2px;
	}

	.notice {
		margin-bottom: 1.5rem;
	}

	ul {
		border-top: var(--stroke) solid var(--rule);
	}

	li a {
		display: grid;
		grid-template-columns: minmax(12rem, 1.4fr) 160px minmax(11rem, 1fr) minmax(10rem, 0.8fr);
		align-items: center;
		gap: 1.5rem;
		padding: 1rem 0.5rem;
		border-bottom: 1px solid var(--line);
		color: var(--ink);
		text-decoration: none;
	}

	li a:hover {
		background: var(--lit);
	}

	.name,
	.facts {
		display: grid;
	}

	.name strong {
		font-size: 1.2rem;
		text-decoration: underline;
		text-decoration-color: var(--accent);
		text-underline-offset: 0.2em;
	}

	.sketch {
		display: grid;
		gap: 3px;
	}

	.sketch span {
		height: 4px;
		background: repeating-linear-gradient(90deg, var(--ink) 0 4px, transparent 4px 5px);
	}

	.empty {
		padding: 2.5rem;
		display: grid;
		gap: 0.75rem;
		max-width: 42rem;
	}

	.empty svg {
		width: 240px;
		fill: var(--paper);
		stroke: var(--ink);
		stroke-width: var(--stroke);
	}

	.more {
		margin-top: 1rem;
	}

	@media (max-width: 760px) {
		li a {
			grid-template-columns: 1fr auto;
			gap: 0.5rem 1rem;
		}

		.sketch {
			display: none;
		}
	}
</style>
