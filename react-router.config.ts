import type { Config } from '@react-router/dev/config';

// A page knows of all others from the start: they can be fetched ahead, and shown without asking where they are.
export default { ssr: true, routeDiscovery: { mode: 'initial' } } satisfies Config;
