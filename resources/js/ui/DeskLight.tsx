import { createContext, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import { ThemeProvider } from 'styled-components';
import { daylight, dim } from './theme';

type Setting = 'daylight' | 'dim';

const KEY = 'prism.desk-light';
const DeskLightContext = createContext<{ setting: Setting; toggle: () => void }>({
    setting: 'daylight',
    toggle: () => undefined,
});

/** The two settings of the interface: a desk in daylight, a dim studio. Kept on this machine. */
export function DeskLight({ children }: { children: ReactNode }) {
    const [setting, setSetting] = useState<Setting>(() => (localStorage.getItem(KEY) === 'dim' ? 'dim' : 'daylight'));
    useEffect(() => {
        localStorage.setItem(KEY, setting);
        document.documentElement.dataset.desk = setting;
        document.documentElement.style.colorScheme = setting === 'dim' ? 'dark' : 'light';
    }, [setting]);
    const value = useMemo(
        () => ({ setting, toggle: () => setSetting((now) => (now === 'dim' ? 'daylight' : 'dim')) }),
        [setting],
    );

    return (
        <DeskLightContext value={value}>
            <ThemeProvider theme={setting === 'dim' ? dim : daylight}>{children}</ThemeProvider>
        </DeskLightContext>
    );
}

export const useDeskLight = () => useContext(DeskLightContext);
