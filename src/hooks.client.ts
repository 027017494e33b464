import type { HandleClientError } from '@sveltejs/kit';

/** What a person reads where a page fails in their browser; what went wrong stands in its console. */
export const handleError: HandleClientError = ({ error, status, message }) => {
	if (status === 404) return { message: 'There is nothing at this address.' };
	if (status < 500) return { message };
	console.error(error);
	return { message: 'This page could not be shown.' };
};
