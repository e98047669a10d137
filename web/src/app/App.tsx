import { MantineProvider, mergeThemeOverrides } from '@mantine/core';
import { Notifications } from '@mantine/notifications';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { lazy, Suspense, useEffect } from 'react';
import { useTranslation } from 'react-i18next';
import { BrowserRouter, Navigate, Route, Routes, useLocation } from 'react-router';
import { ProblemError } from '../api/client';
import { SignInPage } from '../features/workshop/SignInPage';
import { Await } from '../shared/Page';
import { sessionQuery, useSession } from '../shared/session';
import { ErrorBoundary } from './ErrorBoundary';
import { Frame } from './Frame';
import { NewerVersion } from './NewerVersion';
import { theme } from './theme';
import { UnitsProvider } from './units';

const ShelfPage = lazy(() => import('../features/finished/ShelfPage'));
const LotPage = lazy(() => import('../features/stock/LotPage'));
const TagPage = lazy(() => import('../features/finished/TagPage'));
const FinishedPage = lazy(() => import('../features/finished/FinishedPage'));
const FinishedOrderPage = lazy(() => import('../features/finished/FinishedOrderPage'));
const ShelfCountPage = lazy(() => import('../features/finished/ShelfCountPage'));
const TodayPage = lazy(() => import('../features/today/TodayPage'));
const OrdersPage = lazy(() => import('../features/orders/OrdersPage'));
const OrderPage = lazy(() => import('../features/orders/OrderPage'));
const NewOrderPage = lazy(() => import('../features/orders/NewOrderPage'));
const LinePage = lazy(() => import('../features/orders/LinePage'));
const GroupPage = lazy(() => import('../features/orders/GroupPage'));
const ImportPage = lazy(() => import('../features/orders/ImportPage'));
const TrayPage = lazy(() => import('../features/shop/TrayPage'));
const CustomersPage = lazy(() => import('../features/customers/CustomersPage'));
const CustomerPage = lazy(() => import('../features/customers/CustomerPage'));
const PlanPage = lazy(() => import('../features/plan/PlanPage'));
const CutPage = lazy(() => import('../features/cut/CutPage'));
const BenchPage = lazy(() => import('../features/cut/BenchPage'));
const BenchListPage = lazy(() => import('../features/bench/BenchListPage'));
const TalesPage = lazy(() => import('../features/bench/TalesPage'));
const CardPage = lazy(() => import('../features/bench/CardPage'));
const WastePage = lazy(() => import('../features/cut/WastePage'));
const PatternsPage = lazy(() => import('../features/patterns/PatternsPage'));
const PatternPage = lazy(() => import('../features/patterns/PatternPage'));
const EditorPage = lazy(() => import('../features/patterns/EditorPage'));
const ReadPage = lazy(() => import('../features/patterns/EditorPage').then((m) => ({ default: m.ReadPage })));
const StitchesPage = lazy(() => import('../features/patterns/StitchesPage'));
const StitchPage = lazy(() => import('../features/patterns/StitchPage'));
const LearnedPage = lazy(() => import('../features/learning/LearnedPage'));
const LearningReportPage = lazy(() => import('../features/learning/ReportPage'));
const MeasuresPage = lazy(() => import('../features/measures/MeasuresPage'));
const StockPage = lazy(() => import('../features/stock/StockPage'));
const ArticlePage = lazy(() => import('../features/stock/ArticlePage'));
const ReceivePage = lazy(() => import('../features/stock/ReceivePage'));
const ArticlesFilePage = lazy(() => import('../features/stock/ArticlesFilePage'));
const BuyPage = lazy(() => import('../features/stock/BuyPage'));
const CountsPage = lazy(() => import('../features/stock/CountsPage'));
const CountPage = lazy(() => import('../features/stock/CountPage'));
const CostsPage = lazy(() => import('../features/costs/CostsPage'));
const WorkshopPage = lazy(() =>
  import('../features/workshop/WorkshopPage').then((m) => ({ default: m.WorkshopPage })),
);

const client = new QueryClient({
  defaultOptions: {
    queries: {
      retry: (count, error) => count < 1 && !(error instanceof ProblemError && error.problem.status !== 0),
      refetchOnWindowFocus: false,
    },
  },
});

export function App() {
  const { t } = useTranslation();
  const named = mergeThemeOverrides(theme, {
    components: { Notification: { defaultProps: { closeButtonProps: { 'aria-label': t('notice.close') } } } },
  });
  return (
    <MantineProvider theme={named} defaultColorScheme="auto">
      <QueryClientProvider client={client}>
        <UnitsProvider>
          <Notifications position="bottom-right" />
          <BrowserRouter>
            <ErrorBoundary>
              <Inside />
            </ErrorBoundary>
          </BrowserRouter>
        </UnitsProvider>
      </QueryClientProvider>
    </MantineProvider>
  );
}

function Inside() {
  const session = useSession();
  const { pathname } = useLocation();
  useEffect(() => {
    const out = () => client.invalidateQueries(sessionQuery);
    window.addEventListener('restis:signed-out', out);
    return () => window.removeEventListener('restis:signed-out', out);
  }, []);
  return (
    <Await query={session}>
      {(s) =>
        s.name ? (
          <Frame session={s}>
            <NewerVersion />
            <ErrorBoundary key={pathname} inside>
              <Suspense fallback={null}>
                <Routes>
                  <Route path="/" element={<Navigate to="/today" replace />} />
                  <Route path="/today" element={<TodayPage />} />
                  <Route path="/orders" element={<OrdersPage />} />
                  <Route path="/orders/new" element={<NewOrderPage />} />
                  <Route path="/orders/group" element={<GroupPage />} />
                  <Route path="/orders/deliveries" element={<TrayPage />} />
                  <Route path="/orders/import" element={<ImportPage />} />
                  <Route path="/orders/:id" element={<OrderPage />} />
                  <Route path="/orders/:id/lines/:line" element={<LinePage />} />
                  <Route path="/customers" element={<CustomersPage />} />
                  <Route path="/customers/:id" element={<CustomerPage />} />
                  <Route path="/plan" element={<PlanPage />} />
                  <Route path="/cut" element={<CutPage />} />
                  <Route path="/cut/waste" element={<WastePage />} />
                  <Route path="/cut/:list" element={<CutPage />} />
                  <Route path="/cut/:list/bench" element={<BenchPage />} />
                  <Route path="/cut/:list/bench/:spool" element={<BenchPage />} />
                  <Route path="/bench" element={<BenchListPage />} />
                  <Route path="/bench/tales" element={<TalesPage />} />
                  <Route path="/bench/:piece" element={<CardPage />} />
                  <Route path="/finished" element={<FinishedPage />} />
                  <Route path="/finished/shelf" element={<ShelfPage />} />
                  <Route path="/finished/shelf/count" element={<ShelfCountPage />} />
                  <Route path="/finished/pieces/:piece" element={<TagPage />} />
                  <Route path="/finished/:order" element={<FinishedOrderPage />} />
                  <Route path="/patterns" element={<PatternsPage />} />
                  <Route path="/patterns/new" element={<EditorPage />} />
                  <Route path="/patterns/read" element={<ReadPage />} />
                  <Route path="/patterns/:code" element={<PatternPage />} />
                  <Route path="/patterns/:code/edit" element={<EditorPage />} />
                  <Route path="/patterns/stitches" element={<StitchesPage />} />
                  <Route path="/patterns/stitches/new" element={<StitchPage />} />
                  <Route path="/stock" element={<StockPage />} />
                  <Route path="/stock/articles/:code" element={<ArticlePage />} />
                  <Route path="/stock/lots/:lot" element={<LotPage />} />
                  <Route path="/stock/file" element={<ArticlesFilePage />} />
                  <Route path="/stock/receive" element={<ReceivePage />} />
                  <Route path="/stock/buy" element={<BuyPage />} />
                  <Route path="/stock/count" element={<CountsPage />} />
                  <Route path="/stock/count/:id" element={<CountPage />} />
                  <Route path="/costs" element={<CostsPage />} />
                  <Route path="/measures" element={<MeasuresPage />} />
                  <Route path="/measures/learned" element={<LearnedPage />} />
                  <Route path="/measures/report" element={<LearningReportPage />} />
                  <Route path="/workshop" element={<WorkshopPage />} />
                  <Route path="*" element={<Navigate to="/today" replace />} />
                </Routes>
              </Suspense>
            </ErrorBoundary>
          </Frame>
        ) : (
          <SignInPage session={s} />
        )
      }
    </Await>
  );
}
