import { lazy, Suspense } from 'react';
import { Route, Routes } from 'react-router';
import { BenchView } from './features/bench/index.ts';
import { Shell } from './ui/index.ts';

const NotFound = lazy(() => import('./NotFound.tsx'));

export function App() {
  return (
    <Shell>
      <Suspense fallback={<p>One moment …</p>}>
        <Routes>
          <Route path="/" element={<BenchView />} />
          <Route path="*" element={<NotFound />} />
        </Routes>
      </Suspense>
    </Shell>
  );
}
