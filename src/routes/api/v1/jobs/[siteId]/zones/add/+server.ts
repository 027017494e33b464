import { serve } from '$lib/server/http';

export const { POST } = serve('/api/v1/jobs/[siteId]/zones/add');
