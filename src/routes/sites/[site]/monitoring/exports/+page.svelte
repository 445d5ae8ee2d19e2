<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import { dayAndTime } from '$lib/text/when';
	import { count } from '$lib/text/format';
	import { send } from '$lib/session/send-json';
	import ImportExport from '$lib/monitoring/ImportExport.svelte';
	import UnitMatching from '$lib/monitoring/UnitMatching.svelte';

	let { data } = $props();
	/** The import about which one is asked whether it shall go. */
	let asked = $state<string | null>(null);
	let problem = $state('');
	const date = (seconds: number | null) =>
		seconds === null ? '' : new Date(seconds * 1000).toISOString().slice(0, 10);

	async function takeBack(id: string): Promise<void> {
		const answer = await send(`/sites/${data.site.id}/monitoring/imports/${id}`, {
			method: 'DELETE'
		});
		problem = answer.ok ? '' : answer.words;
		asked = null;
		if (answer.ok) await invalidateAll();
	}
</script>

<svelte:head><title>Exports · {data.site.name} · Zembo</title></svelte:head>

<h1>Exports</h1>
<div class="parts">
	<ImportExport siteId={data.site.id} timeZone={data.site.timeZone} record={data.revision.record} />
	{#if data.imports.length > 0}
		<section>
			<h2>What is in</h2>
			{#if problem}<p class="notice" data-kind="error" role="alert">{problem}</p>{/if}
			<ul class="lines">
				{#each data.imports as one (one.id)}
					<li>
						<div class="line">
							<p>
								<strong>{one.file}</strong>
								<span class="figure">{one.samples.toLocaleString('en-GB')}</span> samples,
								<span class="figure">{date(one.first)}</span> to
								<span class="figure">{date(one.last)}</span>
								<span class="soft">taken in {dayAndTime(one.addedAt, data.site.timeZone)}</span>
							</p>
							{#if asked === one.id}
								<p class="sure">
									All its samples go.
									<button class="act" onclick={() => void takeBack(one.id)}
										>Take it back whole</button
									>
									<button class="act-plain" onclick={() => (asked = null)}>Keep it</button>
								</p>
							{:else}
								<button class="act-plain" onclick={() => (asked = one.id)}>Take it back</button>
							{/if}
						</div>
						{#if one.report.doubled > 0}
							<p class="soft">
								{count(one.report.doubled, 'time')} in the hour that comes twice: the first way through
								it counts as summer time.
							</p>
						{/if}
						{#if one.report.back > 0}
							<p class="soft">
								{count(one.report.back, 'time')} before the one above; each stands at its own time, and
								of two at one time the later line.
							</p>
						{/if}
						{#if one.report.refused > 0}
							<details>
								<summary>{count(one.report.refused, 'line')} refused</summary>
								<ul>
									{#each one.report.why as { line, why } (line)}
										<li><span class="figure">{line}</span> {why}</li>
									{/each}
									{#if one.report.refused > one.report.why.length}
										<li class="soft">and {one.report.refused - one.report.why.length} more</li>
									{/if}
								</ul>
							</details>
						{/if}
					</li>
				{/each}
			</ul>
		</section>
		<UnitMatching siteId={data.site.id} record={data.revision.record} units={data.units} />
	{/if}
</div>

<style>
	h1 {
		font-size: 1.8rem;
		margin: 1.2rem 0 0.8rem;
	}

	h2 {
		font-size: 1.2rem;
	}

	.parts {
		display: grid;
		gap: 1.8rem;
	}

	section {
		display: grid;
		gap: 0.6rem;
	}

	.line {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		align-items: center;
		gap: 0.4rem 1rem;
	}

	.sure {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.6rem;
	}
</style>
