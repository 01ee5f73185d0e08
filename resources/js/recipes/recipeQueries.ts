import { keepPreviousData, skipToken, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answered, api, type KeptRecipeForm } from '../api/client';

const recipes = ['recipes'] as const;

export interface RecipeWish {
    words?: string;
    tag?: string;
    step?: number;
    near?: string;
    most?: number;
}

export const useKeptRecipes = (wish: RecipeWish) =>
    useQuery({
        queryKey: [...recipes, wish],
        placeholderData: keepPreviousData,
        queryFn: ({ signal }) => answered(api.GET('/api/recipes', { params: { query: wish }, signal })),
    });

function useRecipeMutation<Input, Output>(change: (input: Input) => Promise<Output>) {
    const client = useQueryClient();

    return useMutation({
        mutationFn: change,
        onSettled: () => client.invalidateQueries({ queryKey: recipes }),
    });
}

export const useKeepRecipe = () =>
    useRecipeMutation((body: KeptRecipeForm & { paper: string; stack: string; target?: string | null }) =>
        answered(api.POST('/api/recipes', { body })),
    );

export const useKeepLadder = () =>
    useRecipeMutation((body: KeptRecipeForm & { paper: string; stacks: string[] }) =>
        answered(api.POST('/api/recipes/ladder', { body })),
    );

export const useChangeRecipe = () =>
    useRecipeMutation(({ id, ...body }: KeptRecipeForm & { id: string; version: number }) =>
        answered(api.PUT('/api/recipes/{kept}', { params: { path: { kept: id } }, body })),
    );

export const useRemoveRecipe = () =>
    useRecipeMutation((id: string) => answered(api.DELETE('/api/recipes/{kept}', { params: { path: { kept: id } } })));

export const useRestoreRecipe = () =>
    useRecipeMutation((id: string) =>
        answered(api.POST('/api/recipes/{kept}/restore', { params: { path: { kept: id } } })),
    );

export const usePreviewRecipes = () =>
    useMutation({ mutationFn: (text: string) => answered(api.POST('/api/recipes/preview', { body: { text } })) });

export const useImportRecipes = () =>
    useRecipeMutation((text: string) => answered(api.POST('/api/recipes/import', { body: { text } })));

export interface LadderWish {
    colour: string;
    paper: string;
    rungs: number;
    same: boolean;
}

export const useLadder = (wish: LadderWish | null) =>
    useQuery({
        queryKey: ['ladder', wish],
        retry: false,
        queryFn: wish ? ({ signal }) => answered(api.POST('/api/ladders', { body: wish, signal })) : skipToken,
    });
