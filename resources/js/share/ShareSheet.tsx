import { useState } from 'react';
import styled from 'styled-components';
import { messageOf, type Share } from '../api/client';
import { Button, StrongButton } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { notify } from '../ui/Notices';
import { Row } from '../ui/Page';
import { Sheet } from '../ui/Sheet';
import { Problem } from '../ui/States';
import { Tick } from '../ui/Tick';
import { space, type } from '../ui/theme';
import { useEndShare, useMakeShare, useShares } from './shareQueries';

const KINDS: { id: Share['kind']; name: string }[] = [
    { id: 'plan', name: 'The plan' },
    { id: 'record', name: 'The record' },
];

const DAYS = [
    { id: '7', name: '7 days' },
    { id: '30', name: '30 days' },
    { id: '90', name: '90 days' },
] as const;

const Links = styled.ul`
    display: grid;
    gap: ${space.s};
    & > li {
        display: grid;
        grid-template-columns: minmax(0, 1fr) auto auto;
        gap: ${space.s};
        align-items: center;
        padding-top: ${space.s};
        border-top: 1px solid ${({ theme }) => theme.line};
    }
    & small {
        font-size: ${type.small};
        color: ${({ theme }) => theme.quiet};
    }
`;

const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long' });

interface Props {
    piece: string;
    title: string;
    /** What one has come from. */
    kind: Share['kind'];
    onClose: () => void;
}

/** Links by which others read a plan or a record: made, copied, ended. */
export function ShareSheet({ piece, title, kind: first, onClose }: Props) {
    const [kind, setKind] = useState(first);
    const [withPhoto, setWithPhoto] = useState(false);
    const [days, setDays] = useState<(typeof DAYS)[number]['id']>('30');
    const shares = useShares(piece);
    const make = useMakeShare(piece);
    const end = useEndShare(piece);
    const copy = (path: string) =>
        navigator.clipboard.writeText(window.location.origin + path).then(
            () => notify('The link is copied'),
            () => notify(`This browser does not let it be copied: ${window.location.origin}${path}`),
        );

    return (
        <Sheet title={`Share ${title}`} isOpen onClose={onClose}>
            <p>
                Whoever has the link reads {kind === 'plan' ? 'turns, pencils and the drawing to be' : 'the record'},
                without an account, and nothing else of your studio.
            </p>
            <Row>
                <Choice label="What is seen" value={kind} options={KINDS} onChange={setKind} />
                <Choice label="It holds for" value={days} options={DAYS} onChange={setDays} />
            </Row>
            <Tick isSelected={withPhoto} onChange={setWithPhoto}>
                The reference photo too
            </Tick>
            <div>
                <StrongButton
                    isDisabled={make.isPending}
                    onPress={() => make.mutate({ kind, withPhoto, days: Number(days) as 7 | 30 | 90 })}
                >
                    Make a link
                </StrongButton>
            </div>
            {make.isError && <Problem message={messageOf(make.error)} />}
            {(shares.data ?? []).length > 0 && (
                <Links aria-label="Links that hold">
                    {shares.data?.map((share) => (
                        <li key={share.id} data-testid="share">
                            <span>
                                {KINDS.find(({ id }) => id === share.kind)?.name}
                                {share.withPhoto && ', with the photo'}
                                <br />
                                <small>
                                    made {day.format(new Date(share.madeAt))}, holds until{' '}
                                    {day.format(new Date(share.until))}
                                </small>
                            </span>
                            <Button onPress={() => void copy(share.path)}>Copy the link</Button>
                            <Button
                                onPress={() =>
                                    end.mutate(share.id, {
                                        onSuccess: () => notify('The link leads nowhere any more'),
                                        onError: (error) => notify(messageOf(error)),
                                    })
                                }
                            >
                                End it
                            </Button>
                        </li>
                    ))}
                </Links>
            )}
        </Sheet>
    );
}
