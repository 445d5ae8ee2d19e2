<script lang="ts">
	import { resolve } from '$app/paths';
	import type { UnknownPlace } from '$core/record';
	import { checkRecord, type CheckVerdict } from '$core/design-checks';
	import { useRecord } from '$lib/session/record-session.svelte';
	import CheckMark from './CheckMark.svelte';

	let { data } = $props();
	const session = useRecord();
	const checks = $derived(checkRecord(session.record));
	const VERDICTS: readonly (readonly [CheckVerdict, string])[] = [
		['fail', 'Fail'],
		['not-assessed', 'Not assessed'],
		['note', 'Notes'],
		['pass', 'Pass']
	];
	const groups = $derived(
		VERDICTS.map(([verdict, words]) => ({
			verdict,
			words,
			list: checks.filter((check) => check.verdict === verdict)
		})).filter(({ list }) => list.length > 0)
	);
	const site = $derived(data.site.id);

	function addressOf(at: UnknownPlace): string {
		const hub = resolve('/sites/[site]/array-record', { site });
		switch (at.kind) {
			case 'module-type':
				return `${hub}/module-types/${at.id}`;
			case 'part':
				return `${hub}/parts/${at.id}`;
			case 'part-kind':
				return `${hub}/parts/new?kind=${at.part}`;
			case 'site':
				return `${hub}#site`;
			default:
				return hub;
		}
	}
</script>

<svelte:head><title>Design checks · {data.site.name} · Zembo</title></svelte:head>

<div class="page">
	<h1>Design checks of the array record</h1>
	<p class="soft lead">
		By {session.record.rules.profile === 'US'
			? `the NEC${session.record.rules.edition ? ` ${session.record.rules.edition}` : ', edition not recorded'}`
			: 'IEC standards'}, clauses not verified. Local code, the manufacturer’s instructions and the
		licensed person decide. Pass means within the limit. It does not mean safe to touch.
	</p>
	{#each groups as { verdict, words, list } (verdict)}
		<section>
			<h2><CheckMark {verdict} />{words} <span class="soft figure">{list.length}</span></h2>
			{#each list as check (check.key)}
				<details data-check={check.key} data-code={check.code} data-verdict={verdict}>
					<summary>
						<span class="title">{check.title}<span class="soft">{check.about}</span></span>
						<span class="answer">
							{#if check.required !== null}
								<span><span class="soft">Required</span> {check.required}</span>
							{/if}
							{#if check.found !== null}
								<span><span class="soft">Found</span> {check.found}</span>
							{/if}
							{#if check.remark !== ''}<span>{check.remark}</span>{/if}
						</span>
					</summary>
					<div class="why">
						{#if check.inputs.length > 0}
							<dl>
								{#each check.inputs as [name, figure] (name)}
									<div>
										<dt>{name}</dt>
										<dd class="figure">{figure}</dd>
									</div>
								{/each}
							</dl>
						{/if}
						{#if check.formula}<p>{check.formula}</p>{/if}
						<p class="soft">{check.clause}</p>
						<p>
							<!-- eslint-disable-next-line svelte/no-navigation-without-resolve -- resolved above -->
							<a href={addressOf(check.at)}>Open in the array record</a>
						</p>
					</div>
				</details>
			{/each}
		</section>
	{:else}
		<p>Nothing to check yet: the record holds no strings.</p>
	{/each}
</div>

<style>
	h1 {
		font-size: 1.7rem;
	}

	.lead {
		max-width: 76ch;
	}

	section {
		margin-top: 1.5rem;
	}

	h2 {
		display: flex;
		align-items: center;
		gap: 0.6rem;
		font-size: 1.2rem;
		padding-bottom: 0.3rem;
		border-bottom: var(--stroke) solid var(--rule);
	}

	details {
		border-bottom: 1px solid var(--line);
	}

	summary {
		display: grid;
		grid-template-columns: 17rem minmax(0, 1fr);
		gap: 0 1.2rem;
		min-height: 48px;
		align-items: center;
		padding: 0.4rem 0.2rem;
		cursor: pointer;
		list-style: none;
	}

	summary::-webkit-details-marker {
		display: none;
	}

	summary:hover {
		background: var(--lit);
	}

	.title {
		display: grid;
		font-weight: 650;
		line-height: 1.3;
	}

	.title .soft {
		font-weight: 400;
		font-size: 0.92rem;
	}

	.answer {
		display: grid;
		line-height: 1.35;
	}

	.why {
		display: grid;
		gap: 0.4rem;
		padding: 0.4rem 0 1rem;
		margin-inline-start: 18.2rem;
		max-width: 62ch;
	}

	dl div {
		display: flex;
		justify-content: space-between;
		gap: 1rem;
		border-bottom: 1px solid var(--line);
	}

	@media (max-width: 760px) {
		summary {
			grid-template-columns: minmax(0, 1fr);
		}

		.answer {
			display: grid;
			line-height: 1.35;
		}

		.why {
			margin-inline-start: 0;
		}
	}
</style>
