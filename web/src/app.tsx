import { createBrowserRouter, Outlet, RouterProvider } from 'react-router';
import { FindAnything } from './parts/find-anything';
import { Arrive } from './screens/arrive/arrive';
import { Decide } from './screens/decide/decide';
import { JobScreen } from './screens/job/job-screen';
import { StageRedirect } from './screens/job/stage-redirect';
import { MakeSafe } from './screens/make-safe/make-safe';
import { Measure } from './screens/measure/measure';
import { NotHere } from './screens/not-here';
import { Read } from './screens/read/read';
import { Sign } from './screens/sign/sign';
import { Today } from './screens/today/today';

function Root() {
  return (
    <>
      <Outlet />
      <FindAnything />
    </>
  );
}

const router = createBrowserRouter([
  {
    element: <Root />,
    errorElement: (
      <NotHere
        what="This screen broke"
        detail="What was recorded is kept on this device. Go back to Today and open the job again."
      />
    ),
    children: [
      { path: '/', element: <Today /> },
      {
        path: '/jobs/:jobId',
        element: <JobScreen />,
        children: [
          { index: true, element: <StageRedirect /> },
          { path: 'arrive', element: <Arrive /> },
          { path: 'read', element: <Read /> },
          { path: 'safe', element: <MakeSafe /> },
          { path: 'measure', element: <Measure /> },
          { path: 'decide', element: <Decide /> },
          { path: 'sign', element: <Sign /> },
          { path: '*', element: <StageRedirect /> },
        ],
      },
      {
        path: '*',
        element: (
          <NotHere
            what="There is nothing at this address"
            detail="It may be mistyped, or come from another shop’s Jeitinho."
          />
        ),
      },
    ],
  },
]);

export function App() {
  return <RouterProvider router={router} />;
}
