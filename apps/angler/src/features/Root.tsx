import { sunHeightDeg } from '@burrow/core/weather';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useFonts } from 'expo-font';
import { StatusBar } from 'expo-status-bar';
import { useEffect, type ReactNode } from 'react';
import { Shell } from '@/features/shell/Shell';
import { Notice } from '@/ui/Notice';
import { useAccountSettings } from '@/data/account-settings';
import { useNow } from '@/data/clock';
import { usePreferences } from '@/data/preferences';
import { OutlookProvider } from '@/data/outlook';
import { useUnsentPhotos } from '@/data/photos';
import { AccountProvider, useSession } from '@/data/session';
import { watchTroubles } from '@/data/troubles';
import { useWater } from '@/data/water';
import { useUnsentWaters } from '@/data/water-change';
import { fontFiles, ThemeProvider, usePalette } from '@/theme/theme';
import { keepOnPhone } from '@/offline/register';
import { WelcomeScreen } from './account/WelcomeScreen';

keepOnPhone();
if (typeof globalThis.window?.addEventListener === 'function') watchTroubles(globalThis.window);

const client = new QueryClient({ defaultOptions: { queries: { networkMode: 'always', refetchOnWindowFocus: false }, mutations: { networkMode: 'always' } } });

/** Everything that stands around the screens. */
export function Root({ children }: { children: ReactNode }) {
  const [loaded, failed] = useFonts(fontFiles);
  if (!loaded && !failed) return null;
  return (
    <QueryClientProvider client={client}>
      <AuthGate>{children}</AuthGate>
    </QueryClientProvider>
  );
}

function AuthGate({ children }: { children: ReactNode }) {
  const session = useSession();
  const { theme } = usePreferences();
  const chosen = theme === 'sun' ? 'day' : theme;
  if (session.data?.account) {
    return (
      <AccountProvider key={session.data.account.id} account={session.data.account}>
        <BySun>
          <OutlookProvider>
            <Shell>{children}</Shell>
          </OutlookProvider>
        </BySun>
      </AccountProvider>
    );
  }
  return (
    <ThemeProvider name={chosen}>
      <Frame>
        {session.data ? (
          <WelcomeScreen session={session.data} />
        ) : session.isError ? (
          <Notice title="No signal" action={{ label: 'Try again', onPress: () => void session.refetch() }}>
            Vivid Burrow needs the server once. After that it works without.
          </Notice>
        ) : (
          <Notice title="Vivid Burrow" busy />
        )}
      </Frame>
    </ThemeProvider>
  );
}

/** Day while the sun is up at the water, dusk otherwise, unless chosen. */
function BySun({ children }: { children: ReactNode }) {
  const { theme } = usePreferences();
  const { water } = useWater();
  useUnsentWaters();
  useUnsentPhotos();
  useAccountSettings();
  const now = useNow(60_000);
  const sunUp = water ? sunHeightDeg(now, { lon: water.lon, lat: water.lat, timeZone: 'UTC' }) > -0.8 : true;
  return (
    <ThemeProvider name={theme === 'sun' ? (sunUp ? 'day' : 'dusk') : theme}>
      <Frame>{children}</Frame>
    </ThemeProvider>
  );
}

function Frame({ children }: { children: ReactNode }) {
  const palette = usePalette();
  useEffect(() => {
    document.body.style.backgroundColor = palette.ground;
    document.documentElement.style.colorScheme = palette.name === 'dusk' ? 'dark' : 'light';
    document.documentElement.lang = 'en';
  }, [palette]);
  return (
    <>
      <StatusBar style={palette.name === 'dusk' ? 'light' : 'dark'} />
      {children}
    </>
  );
}
