import { serve } from '$lib/server/http';

export const { GET, DELETE } = serve('/api/v1/jobs/[siteId]/pictures/[pictureId]');
