import { Autocomplete, type AutocompleteProps } from '@mantine/core';
import { useDebouncedValue } from '@mantine/hooks';
import { useInfiniteQuery } from '@tanstack/react-query';
import { customersQuery } from './customers';

interface Props extends Omit<AutocompleteProps, 'data' | 'onChange'> {
  value: string;
  onChange: (name: string) => void;
}

/** A customer's name: one that is known, or a new one. */
export function CustomerField({ value, ...rest }: Props) {
  const [query] = useDebouncedValue(value.trim(), 150);
  const found = useInfiniteQuery({ ...customersQuery(query), enabled: query !== '' });
  const names = new Set(found.data?.pages.flatMap((page) => page.rows.map((row) => row.name)));
  return (
    <Autocomplete {...rest} value={value} data={[...names]} limit={8} filter={({ options }) => options} />
  );
}
