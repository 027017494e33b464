import { serve } from '$lib/server/http';

export const { GET, PUT } = serve('/api/v1/firm');
