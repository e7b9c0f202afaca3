import { guidePageOf } from '@rosefinch/core/sentences';
import { Navigate, useParams } from 'react-router';

/** From a view's “?” to the page that says most about it. */
export function HelpOfView() {
  const { '*': view = '' } = useParams();
  return <Navigate to={`/help/${guidePageOf(`/${view}`)}`} replace />;
}
