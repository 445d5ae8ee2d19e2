<script lang="ts">
	import Gauge from '@lucide/svelte/icons/gauge';
	import { type Place, type Quantity, QUANTITY_FACTS } from '$core/visit';
	import { meterAddress } from './instrument-address';
	import { sendJson } from '../session/send-json';

	interface Props {
		quantity: Quantity;
		/** Where the person stands, for a simulated meter that cannot know. */
		probe: { readonly label: string; readonly quantity: Quantity; readonly kind: Place['kind'] };
		onread: (value: number) => void;
	}
	let { quantity, probe, onread }: Props = $props();

	const { unit } = $derived(QUANTITY_FACTS[quantity]);
	let reading = $state(false);
	let problem = $state('');
	const address = meterAddress();

	/** What the server says of a meter that was asked. */
	interface MeterAnswer {
		readonly value: number;
		readonly spread: number;
		readonly takes: number;
	}
	async function read(): Promise<void> {
		reading = true;
		problem = '';
		const answer = await sendJson<MeterAnswer>('/instruments/meter', {
			address,
			probe,
			measures: unit === 'A' ? 'dc-current' : unit === 'ohm' ? 'resistance' : 'dc-voltage'
		});
		reading = false;
		if (answer.ok) onread(answer.body.value);
		else problem = answer.words;
	}
</script>

{#if address && (unit === 'V' || unit === 'A' || unit === 'ohm')}
	<button type="button" class="act-plain" onclick={read} disabled={reading}>
		<Gauge size={20} aria-hidden="true" />{reading
			? 'Waiting until it stands still…'
			: 'From the meter'}
	</button>
	{#if problem}<p class="notice" data-kind="error" role="alert">{problem}</p>{/if}
{/if}
