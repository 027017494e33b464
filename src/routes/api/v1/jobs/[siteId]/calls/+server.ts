import { serve } from '$lib/server/http';

export const { GET, POST } = serve('/api/v1/jobs/[siteId]/calls');
