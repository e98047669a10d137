import { createContext, type ReactNode, useContext, useMemo, useState } from 'react';

export type Units = 'METRIC' | 'IMPERIAL';

const Context = createContext<{ units: Units; setUnits: (units: Units) => void }>({
  units: 'METRIC',
  setUnits: () => undefined,
});

/** The units that lengths are shown in; whose they are is kept with the person. */
export function UnitsProvider({ first = 'METRIC', children }: { first?: Units; children: ReactNode }) {
  const [units, setUnits] = useState(first);
  const value = useMemo(() => ({ units, setUnits }), [units]);
  return <Context.Provider value={value}>{children}</Context.Provider>;
}

export function useUnits() {
  return useContext(Context);
}
