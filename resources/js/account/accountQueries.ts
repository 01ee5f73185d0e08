import { useMutation, useQueryClient } from '@tanstack/react-query';
import { answered, api, type Session } from '../api/client';
import { forgetNotices } from '../ui/Notices';
import { keys } from '../api/keys';
import { forgetOffline } from '../api/offline';

/** Whoever signs in or out sees nothing of what was fetched before. */
function useSessionMutation<Input>(change: (input: Input) => Promise<Session>) {
    const client = useQueryClient();

    return useMutation({
        mutationFn: change,
        onSuccess: (session) => {
            forgetNotices();
            void forgetOffline();
            client.setQueryData(keys.session, session);
            client.removeQueries({ predicate: (query) => query.queryKey[0] !== keys.session[0] });
        },
    });
}

export const useSignIn = () =>
    useSessionMutation((body: { email: string; password: string; remember: boolean; code?: string }) =>
        answered(api.POST('/api/session', { body })),
    );

export const useOpenDemo = () => useSessionMutation(() => answered(api.POST('/api/session/demo')));

export const useSignOut = () => useSessionMutation(() => answered(api.DELETE('/api/session')));

/** Everything of one's own, for good; afterwards nobody is signed in. */
export const useRemoveAccount = () =>
    useSessionMutation((password: string) =>
        answered(api.DELETE('/api/account', { body: { current_password: password } })),
    );

export const useRegister = () =>
    useSessionMutation((body: { name: string; email: string; password: string; password_confirmation: string }) =>
        answered(api.POST('/api/account', { body })),
    );

export const useForgotPassword = () =>
    useMutation({ mutationFn: (email: string) => answered(api.POST('/api/account/forgot', { body: { email } })) });

export const useResetPassword = () =>
    useMutation({
        mutationFn: (body: { token: string; email: string; password: string; password_confirmation: string }) =>
            answered(api.POST('/api/account/reset', { body })),
    });

export const useAskAgain = () => useMutation({ mutationFn: () => answered(api.POST('/api/account/confirmation')) });
