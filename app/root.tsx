import { ConfigProvider } from 'antd';
import { StyleProvider } from '@ant-design/cssinjs';
import { useContext, useEffect } from 'react';
import type { ReactNode } from 'react';
import { isRouteErrorResponse, Links, Meta, Outlet, Scripts, ScrollRestoration } from 'react-router';
import type { Route } from './+types/root';
import './look/base.css';
import { Mark } from './look/strip';
import { theme } from './look/theme';
import { followSigningOut } from './look/windows';
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

export default function Root() {
  useEffect(followSigningOut, []);
  return <Outlet />;
}

/** What a person sees when something can't be shown: what it is, and a way on. */
export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const message = isRouteErrorResponse(error)
    ? ((error.data as { message?: string } | null)?.message ??
      (error.status === 404 ? 'There is nothing at this address.' : 'This could not be shown.'))
    : 'Something went wrong on our side. What you did is kept. Reload the page; if it happens again, tell whoever looks after Dappled Margin.';
  if (!isRouteErrorResponse(error)) console.error(error);
  return (
    <main className="dapple" style={{ minHeight: '100vh', display: 'grid', placeItems: 'center', padding: 24 }}>
      <div
        className="card"
        style={{ padding: '28px 32px', maxWidth: 480, display: 'grid', gap: 14, justifyItems: 'start' }}
      >
        <Mark size={34} />
        <h1 style={{ fontSize: 22 }}>
          {isRouteErrorResponse(error) && error.status === 404
            ? 'Nothing here'
            : isRouteErrorResponse(error) && error.status === 403
              ? 'Not your place'
              : 'That did not work'}
        </h1>
        <p style={{ margin: 0 }}>{message}</p>
        <a href="/">To the first page</a>
      </div>
    </main>
  );
}
