import { serve } from '$lib/server/http';

export const { GET } = serve('/api/v1/calls');
