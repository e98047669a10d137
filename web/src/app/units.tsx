import { createContext, type ReactNode, useContext, useMemo, useState } from 'react';

export type Units = 'METRIC' | 'IMPERIAL';

const KEY = 'restis.units';
const Context = createContext<{ units: Units; setUnits: (units: Units) => void }>({
  units: 'METRIC',
  setUnits: () => undefined,
});

export function UnitsProvider({ children }: { children: ReactNode }) {
  const [units, setState] = useState<Units>(() =>
    localStorage.getItem(KEY) === 'IMPERIAL' ? 'IMPERIAL' : 'METRIC',
  );
  const value = useMemo(
    () => ({
      units,
      setUnits: (next: Units) => {
        localStorage.setItem(KEY, next);
        setState(next);
      },
    }),
    [units],
  );
  return <Context.Provider value={value}>{children}</Context.Provider>;
}

export function useUnits() {
  return useContext(Context);
}
