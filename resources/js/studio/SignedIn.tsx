import styled from 'styled-components';
import { Button } from '../ui/Button';
import { notify } from '../ui/Notices';
import { space } from '../ui/theme';
import { useSignedIn, useSignOutElsewhere } from './safetyQueries';

const Places = styled.ul`
    display: grid;
    gap: ${space.s};
    margin: 0 0 ${space.m};
    & > li {
        list-style: none;
    }
`;

const when = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', hour: '2-digit', minute: '2-digit' });

/** Where this studio is open. */
export function SignedIn() {
    const { data: places = [] } = useSignedIn();
    const end = useSignOutElsewhere();

    return (
        <>
            <Places>
                {places.map(({ here, browser, address, lastAt }) => (
                    <li key={`${lastAt} ${address} ${browser}`}>
                        {browser}, {address}: {here ? 'here, now' : when.format(new Date(lastAt))}
                    </li>
                ))}
            </Places>
            {places.some(({ here }) => !here) && (
                <Button
                    isDisabled={end.isPending}
                    onPress={() =>
                        end.mutate(undefined, { onSuccess: () => notify('You are signed out everywhere but here') })
                    }
                >
                    Sign out everywhere but here
                </Button>
            )}
        </>
    );
}
