import type { Component } from 'svelte';

/** An icon of Carbon's set, whichever way its package types it. */
// eslint-disable-next-line @typescript-eslint/no-explicit-any -- the package's icons are classes of an older kind
export type CarbonIcon = Component<any> | (new (...args: any[]) => any);
