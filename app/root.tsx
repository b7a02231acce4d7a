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
import { useNonce } from './ui/shell/nonce';
import { theme } from './ui/theme';

export interface Surroundings {
  nonce?: string;
  previewPort: number | null;
  previewOrigin: string | null;
}

/** Where the preview lives is the server's to say; everything else comes from the browser's own store. */
export function loader({ context }: LoaderFunctionArgs) {
  const { previewPort, previewOrigin } = context as unknown as Surroundings; // given by the server's getLoadContext
  return { previewPort, previewOrigin };
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

export function ErrorBoundary() {
  const error = useRouteError();
  const [title, text] = isRouteErrorResponse(error)
    ? [
        error.status === 404 ? 'There is no page at this address' : `The server answered ${error.status}`,
        typeof error.data === 'string' ? error.data : error.statusText,
      ]
    : ['Something went wrong in Heathmoor', error instanceof Error ? error.message : String(error)];
  return (
    <Box component="main" sx={PAGE}>
      <Typography variant="h1">{title}</Typography>
      <Typography sx={{ my: 2 }}>{text} What the browser has stored of your sites is not touched by this.</Typography>
      <Button component={Link} to="/" variant="contained" color="primary">
        Go to your sites
      </Button>
    </Box>
  );
}
