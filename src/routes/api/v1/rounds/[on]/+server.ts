import { serve } from '$lib/server/http';

export const { GET, PATCH } = serve('/api/v1/rounds/[on]');
