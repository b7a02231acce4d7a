import { index, route, type RouteConfig } from '@react-router/dev/routes';

export default [
  index('routes/shelf.tsx'),
  route('exercises', 'routes/exercises.tsx'),
  route('site/:siteId', 'routes/site.tsx', [
    route('pairs', 'routes/pairs.tsx'),
    route('markup', 'routes/markup.tsx'),
    route('wiring', 'routes/wiring.tsx'),
    route('proof', 'routes/proof.tsx'),
    route('pack', 'routes/pack.tsx'),
  ]),
] satisfies RouteConfig;
