import { expect, it } from 'vitest';
import { StrangersRate } from './strangers';

it('strangers send little: from one place, of an IPv6 household the whole of it, and all together; after a while again', () => {
	const rate = new StrangersRate();
	const from = (address: string, times: number, nowMs = 0) =>
		Array.from({ length: times }, () => rate.waitSeconds(address, nowMs)).filter((seconds) => seconds > 0)
			.length;
	expect(from('192.0.2.1', 25)).toBe(5);
	expect(from('2001:db8:1:2::1', 20) + from('2001:db8:1:2::2', 3)).toBe(3);
	expect(from('192.0.2.2', 20)).toBe(0);
	const others = Array.from({ length: 140 }, (_, i) => from(`198.51.100.${i}`, 1));
	expect(others.every((refused) => refused === 0)).toBe(true);
	expect(rate.waitSeconds('203.0.113.1', 1000)).toBe(599);
	expect(rate.waitSeconds('203.0.113.1', 600_000)).toBe(0);
});
