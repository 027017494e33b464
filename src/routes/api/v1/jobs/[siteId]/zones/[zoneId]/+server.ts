import { serve } from '$lib/server/http';

export const { GET, PUT, DELETE } = serve('/api/v1/jobs/[siteId]/zones/[zoneId]');
