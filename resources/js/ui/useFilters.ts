import { useSearchParams } from 'react-router';

/** What a list is filtered by lives in the address; another filter leads back to its first page. */
export function useFilters() {
    const [params, setParams] = useSearchParams();
    const of = (name: string) => params.get(name) ?? '';
    const choose = (name: string, value: string) =>
        setParams(
            (old) => {
                if (value === '') old.delete(name);
                else old.set(name, value);
                if (name !== 'page') old.delete('page');

                return old;
            },
            { replace: true },
        );

    return { of, choose };
}
