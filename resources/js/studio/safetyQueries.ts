import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answered, api, type NewToken } from '../api/client';
import { keys } from '../api/keys';

const SIGNED_IN = ['signed-in'] as const;
const TOKENS = ['tokens'] as const;

export const useBeginSecondFactor = () =>
    useMutation({
        mutationFn: (password: string) =>
            answered(api.POST('/api/account/second-factor', { body: { current_password: password } })),
    });

/** What changes it is told by who is signed in. */
function useSecondFactorMutation<Input, Output>(change: (input: Input) => Promise<Output>) {
    const client = useQueryClient();

    return useMutation({
        mutationFn: change,
        onSuccess: () => client.invalidateQueries({ queryKey: keys.session }),
    });
}

export const useConfirmSecondFactor = () =>
    useSecondFactorMutation((code: string) => answered(api.PUT('/api/account/second-factor', { body: { code } })));

export const useNewCodes = () =>
    useSecondFactorMutation((password: string) =>
        answered(api.POST('/api/account/second-factor/codes', { body: { current_password: password } })),
    );

export const useEndSecondFactor = () =>
    useSecondFactorMutation((password: string) =>
        answered(api.DELETE('/api/account/second-factor', { body: { current_password: password } })),
    );

export const useSignedIn = () =>
    useQuery({ queryKey: SIGNED_IN, queryFn: ({ signal }) => answered(api.GET('/api/account/sessions', { signal })) });

export function useSignOutElsewhere() {
    const client = useQueryClient();

    return useMutation({
        mutationFn: () => answered(api.DELETE('/api/account/sessions')),
        onSuccess: () => client.invalidateQueries({ queryKey: SIGNED_IN }),
    });
}

export const useTokens = () =>
    useQuery({ queryKey: TOKENS, queryFn: ({ signal }) => answered(api.GET('/api/account/tokens', { signal })) });

function useTokenMutation<Input, Output>(change: (input: Input) => Promise<Output>) {
    const client = useQueryClient();

    return useMutation({ mutationFn: change, onSuccess: () => client.invalidateQueries({ queryKey: TOKENS }) });
}

export const useAddToken = () =>
    useTokenMutation((body: NewToken) => answered(api.POST('/api/account/tokens', { body })));

export const useEndToken = () =>
    useTokenMutation((token: number) =>
        answered(api.DELETE('/api/account/tokens/{token}', { params: { path: { token } } })),
    );
