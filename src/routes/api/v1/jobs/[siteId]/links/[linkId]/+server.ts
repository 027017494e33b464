import { serve } from '$lib/server/http';

export const { DELETE } = serve('/api/v1/jobs/[siteId]/links/[linkId]');
