import '@fontsource-variable/fraunces/wght.css';
import '@fontsource-variable/hanken-grotesk/wght.css';
import '@fontsource-variable/jetbrains-mono/wght.css';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import CssBaseline from '@mui/material/CssBaseline';
import InitColorSchemeScript from '@mui/material/InitColorSchemeScript';
import { ThemeProvider } from '@mui/material/styles';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import {
  isRouteErrorResponse,
  Link,
  Links,
  Meta,
  Outlet,
  Scripts,
  ScrollRestoration,
  useRouteError,
  type LoaderFunctionArgs,
} from 'react-router';
import { Bar, DayNight } from './ui/shell/Bar';
import { useNonce } from './ui/shell/nonce';
import { SiteMissing } from './ui/site/siteMissing';
import { theme } from './ui/theme';

export interface Surroundings {
  nonce?: string;
  previewPort: number | null;
  previewOrigin: string | null;
  testHostPort: number | null;
}

/** Where the preview and the test host live is the server's to say; everything else comes from the browser's own store. */
export function loader({ context }: LoaderFunctionArgs) {
  const { previewPort, previewOrigin, testHostPort } = context as unknown as Surroundings; // given by the server's getLoadContext
  return { previewPort, previewOrigin, testHostPort };
}

export const shouldRevalidate = () => false;

export const meta = () => [
  { title: 'Heathmoor' },
  { name: 'description', content: 'A workbench for hand-coded picture galleries' },
];

export function Layout({ children }: { children: ReactNode }) {
  const nonce = useNonce();
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <link rel="icon" href="/mark.svg" type="image/svg+xml" />
        <Meta />
        <Links nonce={nonce} />
      </head>
      <body>
        <InitColorSchemeScript attribute='[data-theme="%s"]' defaultMode="system" nonce={nonce} />
        <ThemeProvider theme={theme} defaultMode="system">
          <CssBaseline enableColorScheme />
          {children}
        </ThemeProvider>
        <ScrollRestoration nonce={nonce} />
        <Scripts nonce={nonce} />
      </body>
    </html>
  );
}

export default function Root() {
  return <Outlet />;
}

const PAGE = { maxWidth: 560, mx: 'auto', mt: 12, px: 3 };

/** What went wrong, in the words of who wanted to go there. */
function sayOf(error: unknown): { title: string; text: string } {
  if (!isRouteErrorResponse(error)) {
    const text = error instanceof Error ? error.message : String(error);
    return { title: 'Something went wrong in Heathmoor', text };
  }
  const isSite = SiteMissing.safeParse(error.data).success;
  if (isSite)
    return {
      title: 'This site is not in this browser',
      text: 'It may have been removed, or it is stored in another browser: sites stay where they were imported.',
    };
  if (error.status === 404)
    return {
      title: 'There is no page at this address',
      text: 'The address may be mistyped, or be that of a newer version.',
    };
  const said = typeof error.data === 'string' && error.data !== '' ? error.data : error.statusText;
  return { title: `The server answered ${error.status}`, text: said };
}

export function ErrorBoundary() {
  const { title, text } = sayOf(useRouteError());
  return (
    <>
      <Bar>
        <DayNight />
      </Bar>
      <Box component="main" sx={PAGE}>
        <Typography variant="h1">{title}</Typography>
        <Typography sx={{ my: 2 }}>{`${text} The sites that are stored in this browser are unchanged.`}</Typography>
        <Button component={Link} to="/" variant="contained" color="primary">
          Go to your sites
        </Button>
      </Box>
    </>
  );
}
