import { json } from '@sveltejs/kit';
import { openApi } from '$lib/server/http';

export const GET = () => json(openApi());
