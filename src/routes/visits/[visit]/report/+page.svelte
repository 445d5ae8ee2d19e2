<script lang="ts">
	import Download from '@lucide/svelte/icons/download';
	import Printer from '@lucide/svelte/icons/printer';
	import { resolve } from '$app/paths';
	import ReportLink from '$lib/report/ReportLink.svelte';
	import ReportView from '$lib/report/ReportView.svelte';
	import { visitReport } from '$lib/report/visit-report';
	import { useVisit } from '$lib/session/visit-session.svelte';

	const session = useVisit();
	const { site, visit } = $derived(session.document);
	const report = $derived(
		visitReport(session.document, session.assessment, 'full', null, Date.now())
	);
	/** Size of the PDF's pages. */
	let page = $state<'A4' | 'LETTER'>('A4');
</script>

<svelte:head
	><title>Visit of {visit.startedAt.slice(0, 10)} · {site.name} · Zembo</title></svelte:head
>

<div class="bar no-print">
	<ReportLink
		class="act"
		href="{resolve('/visits/[visit]/report.pdf', { visit: visit.id })}?page={page}"
		><Download size={20} aria-hidden="true" />Report as PDF</ReportLink
	>
	<ReportLink
		class="act-plain"
		href="{resolve('/visits/[visit]/report.pdf', { visit: visit.id })}?form=short&page={page}"
		>One page for the owner</ReportLink
	>
	<a
		class="act-plain"
		href="{resolve('/visits/[visit]/visit.zip', { visit: visit.id })}?page={page}"
		download
		data-sveltekit-reload>All of it as ZIP</a
	>
	<label>
		<span class="sr-only">Size of the page</span>
		<select class="bare" name="page" bind:value={page}>
			<option value="A4">A4</option>
			<option value="LETTER">Letter</option>
		</select>
	</label>
	<details>
		<summary>More files</summary>
		<ul class="files">
			<li>
				<a
					href={resolve('/visits/[visit]/visit.json', { visit: visit.id })}
					download
					data-sveltekit-reload>Visit as a file</a
				>: record, conditions and every reading, read back on the page of sites;
				<a href={resolve('/formats/zembo-visit.json')}>its form</a> is open
			</li>
			<li>
				<a
					href={resolve('/visits/[visit]/report.html', { visit: visit.id })}
					download
					data-sveltekit-reload>Report as HTML</a
				>, one file that needs nothing else
			</li>
			<li>
				<button type="button" class="act-plain" onclick={() => window.print()}
					><Printer size={20} aria-hidden="true" />Print this page</button
				>
			</li>
		</ul>
	</details>
</div>

<ReportView {report} />

<style>
	.bar {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.75rem;
		padding: 0.9rem clamp(0.75rem, 2vw, 1.5rem);
	}

	.files {
		display: grid;
		gap: 0.3rem;
	}
</style>
