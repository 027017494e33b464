import { serve } from '$lib/server/http';

export const { PUT, DELETE } = serve('/api/v1/jobs/[siteId]/calls/[callId]');
