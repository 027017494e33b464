import { serve } from '$lib/server/http';

export const { PUT } = serve('/api/v1/jobs/[siteId]/zones/[zoneId]/control');
