import { card } from './parts/card';
import { Button, ConfigProvider } from 'antd';
import { StyleProvider } from '@ant-design/cssinjs';
import { useContext, useEffect } from 'react';
import type { ReactNode } from 'react';
import {
  isRouteErrorResponse,
  Links,
  Meta,
  Outlet,
  Scripts,
  ScrollRestoration,
  useNavigate,
  useNavigation,
  useRevalidator,
} from 'react-router';
import type { Route } from './+types/root';
import './theme/base.css';
import './theme/landmarks.css';
import styles from './root.module.css';
import { isUnreached } from './browser/reached';
import { ahead } from './browser/later';
import { Mark } from './house/strip';
import { theme } from './theme/theme';
import { followSigningOut } from './keeping/windows';
import { isOutdated, keepProgram } from './offline/offline';
import { Nonce } from './nonce';

export const links: Route.LinksFunction = () => [
  { rel: 'icon', href: '/mark.svg', type: 'image/svg+xml' },
  {
    rel: 'preload',
    href: '/art/fonts/AtkinsonHyperlegibleNext_400Regular.woff2',
    as: 'font',
    type: 'font/woff2',
    crossOrigin: 'anonymous',
  },
  { rel: 'stylesheet', href: '/art/antd.css' },
];

export const meta: Route.MetaFunction = () => [{ title: 'Dappled Margin' }];

export function Layout({ children }: { children: ReactNode }) {
  const nonce = useContext(Nonce);
  return (
    <html lang="en" className="margin">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <Meta />
        <Links />
      </head>
      <body>
        <StyleProvider>
          <ConfigProvider theme={{ ...theme, zeroRuntime: true }} wave={{ disabled: true }}>
            {children}
          </ConfigProvider>
        </StyleProvider>
        <ScrollRestoration nonce={nonce} />
        <Scripts nonce={nonce} />
      </body>
    </html>
  );
}

const fetchOtherPages = () => ahead(async () => (await import('./browser/pages-ahead')).pagesAhead());

export default function Root() {
  useEffect(followSigningOut, []);
  useEffect(fetchOtherPages, []);
  useEffect(keepProgram, []);
  return (
    <>
      <Waiting />
      <Outlet />
    </>
  );
}

/** While a page is fetched: what was pressed says so at once, and after a moment a thread runs under the strip. */
function Waiting() {
  const { state, location } = useNavigation();
  const to = state === 'loading' ? `${location.pathname}${location.search}` : null;
  useEffect(() => {
    if (to === null) return;
    if (isOutdated()) return window.location.assign(to);
    const pressed = [...document.querySelectorAll(`a[href="${CSS.escape(to)}"]`)];
    for (const link of pressed) link.setAttribute('data-going', '');
    return () => {
      for (const link of pressed) link.removeAttribute('data-going');
    };
  }, [to]);
  return to === null ? null : <div className={styles.waiting} role="progressbar" aria-label="Opening the page" />;
}

/** Milliseconds between tries to reach the school. */
const LOOK_AGAIN = 5000;

/** The error page: what went wrong, and where to go on. */
export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  if (isUnreached(error)) return <NotReached />;
  const message = isRouteErrorResponse(error)
    ? ((error.data as { message?: string } | null)?.message ??
      (error.status === 404 ? 'There is nothing at this address.' : 'This could not be shown.'))
    : 'Something went wrong on our side. What you typed is kept in this browser. Reload the page; if it happens again, tell whoever looks after Dappled Margin.';
  if (!isRouteErrorResponse(error)) console.error(error);
  const title =
    isRouteErrorResponse(error) && error.status === 404
      ? 'Nothing here'
      : isRouteErrorResponse(error) && error.status === 403
        ? 'You can’t open this page'
        : 'Something went wrong';
  return (
    <Said title={title} message={message}>
      <Back />
    </Said>
  );
}

/** Offline, a page that was not open yet can't be shown. It opens by itself when the network is back. */
function NotReached() {
  const { revalidate } = useRevalidator();
  useEffect(() => {
    const again = () => void revalidate();
    const timer = setInterval(again, LOOK_AGAIN);
    window.addEventListener('online', again);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', again);
    };
  }, [revalidate]);
  return (
    <Said
      title="The school can’t be reached"
      message="This page comes by itself when the network is back. What you did and typed is kept in this browser."
    >
      <Back />
    </Said>
  );
}

/** To where one was; to one's own first screen where there is nothing to go back to. */
function Back() {
  const navigate = useNavigate();
  const leave = () => (window.history.length > 1 ? void navigate(-1) : window.location.assign('/'));
  return (
    <Button type="primary" onClick={leave}>
      Back
    </Button>
  );
}

function Said({ title, message, children }: { title: string; message: string; children: ReactNode }) {
  return (
    <main className={`dapple ${styles.page}`}>
      <div className={card(styles.message)}>
        <Mark size={34} />
        <h1>{title}</h1>
        <p>{message}</p>
        {children}
      </div>
    </main>
  );
}
