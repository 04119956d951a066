import { lazy, Suspense } from 'react';
import { createBrowserRouter, Outlet, RouterProvider } from 'react-router';
import { FindAnything } from './screens/find/find-anything';
import { patiently } from './data/piece';
import { Gate } from './screens/people/gate';
import type * as PeopleScreens from './screens/people/routes';
import type * as RecordScreens from './screens/records/routes';
import { useFocusKeeper } from './parts/focus-keeper';
import { KeysHelp } from './parts/keys-help';
import { StoreNotice } from './parts/store-notice';
import { NotHere } from './screens/not-here';
import type * as JobScreens from './screens/job/routes';
import type * as PlaceScreens from './screens/places/routes';
import type * as DeskScreens from './screens/sheets/routes';
import { Today } from './screens/today/today';

/** A job's screens come in a piece of their own, so that Today is there at once. */
const job = (screen: keyof typeof JobScreens) => async () => ({
  Component: (await import('./screens/job/routes'))[screen],
});

/** Sheets, meters and the Reckoner likewise. */
const desk = (screen: keyof typeof DeskScreens) => async () => ({
  Component: (await import('./screens/sheets/routes'))[screen],
});

/** Customers, units and the week. */
const places = (screen: keyof typeof PlaceScreens) => async () => ({
  Component: (await import('./screens/places/routes'))[screen],
});

/** People, ways in, and how everything is kept. */
const people = (screen: keyof typeof PeopleScreens) => async () => ({
  Component: (await import('./screens/people/routes'))[screen],
});

/** What the shop remembers and learns. */
const records = (screen: keyof typeof RecordScreens) => async () => ({
  Component: (await import('./screens/records/routes'))[screen],
});

/** How long Today has the line to itself, ms. */
const FIRST_SCREEN_MS = 2_500;

/** Reckons with the job log: at once beside a job, after the first screen beside Today. */
const ClockRail = lazy(async () => {
  if (window.location.pathname === '/')
    await new Promise((done) => setTimeout(done, FIRST_SCREEN_MS));
  return patiently(() => import('./parts/clock-rail'));
});

function Root() {
  useFocusKeeper();
  return (
    <>
      <StoreNotice />
      <Gate>
        <Suspense fallback={null}>
          <ClockRail />
        </Suspense>
        <Outlet />
        <FindAnything />
      </Gate>
      <KeysHelp />
    </>
  );
}

const router = createBrowserRouter([
  {
    element: <Root />,
    hydrateFallbackElement: <p className="p-6 text-soft">One moment …</p>,
    errorElement: (
      <NotHere
        what="This screen broke"
        detail="What was recorded is kept on this device. Go back to Today and open the job again."
      />
    ),
    children: [
      { path: '/', element: <Today /> },
      { path: '/week', lazy: places('Week') },
      { path: '/month', lazy: places('Month') },
      { path: '/customers', lazy: places('Customers') },
      { path: '/customers/import', lazy: places('ImportPlaces') },
      { path: '/customers/:customerId', lazy: places('CustomerPage') },
      { path: '/units/:unitId', lazy: places('UnitPage') },
      { path: '/units/:unitId/label', lazy: places('UnitLabel') },
      { path: '/sheets', lazy: desk('Library') },
      { path: '/sheets/quick', lazy: desk('QuickSheetPage') },
      { path: '/sheets/:sheetId', lazy: desk('SheetPage') },
      { path: '/sheets/:sheetId/edit', lazy: desk('SheetEditor') },
      { path: '/sheets/:sheetId/compare', lazy: desk('Compare') },
      { path: '/sheets/:sheetId/dictionary', lazy: desk('DictionaryPage') },
      { path: '/reckoner', lazy: desk('ReckonerScreen') },
      { path: '/reckoner/:formulaId', lazy: desk('ReckonerScreen') },
      { path: '/meters', lazy: desk('MetersScreen') },
      { path: '/shop', lazy: desk('ShopScreen') },
      { path: '/people', lazy: people('PeopleScreen') },
      { path: '/me', lazy: people('MeScreen') },
      { path: '/keeping', lazy: people('KeepingScreen') },
      { path: '/trail', lazy: people('TrailScreen') },
      { path: '/welcome', lazy: people('WelcomeScreen') },
      { path: '/records', lazy: records('RecordsScreen') },
      { path: '/records/patterns', lazy: records('PatternsScreen') },
      { path: '/records/right', lazy: records('RightScreen') },
      { path: '/sites/:siteId', lazy: records('SitePage') },
      { path: '/sheets/:sheetId/learnt', lazy: records('LearntPage') },
      { path: '/shared', lazy: records('SharedReport') },
      {
        path: '/jobs/:jobId',
        lazy: job('JobScreen'),
        children: [
          { index: true, lazy: job('StageRedirect') },
          { path: 'history', lazy: job('HistoryPage') },
          { path: 'suspects', lazy: job('SuspectsInFull') },
          { path: ':stage', lazy: job('StageScreen') },
          { path: '*', lazy: job('StageRedirect') },
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
