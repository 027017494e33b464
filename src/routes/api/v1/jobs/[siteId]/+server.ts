import { serve } from '$lib/server/http';

export const { GET, PUT, PATCH, DELETE } = serve('/api/v1/jobs/[siteId]');
