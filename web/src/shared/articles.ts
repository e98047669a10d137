import { queryOptions } from '@tanstack/react-query';
import { api, ask } from '../api/client';

export const articlesQuery = queryOptions({
  queryKey: ['stock', 'articles'],
  queryFn: () => ask(api.GET('/api/stock/articles')),
});
