import { crewBoard, type CrewBoardAnswer, type CrewMembership } from '@burrow/contract/api';
import type { OutingState } from '@burrow/core/ledger';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { api } from './api';
import { useKept } from './kept';
import { useAccount } from './session';

/** Asked for again where no stream comes through, ms. */
const [membershipMs, boardMs] = [300_000, 60_000] as const;

const crewKey = (outing: string) => ['crew', outing] as const;
const boardKey = (id: string) => ['crew-board', id] as const;

/** The crew that an outing is shared with, and its board: live while there is a signal, as it was last seen without one. */
export function useCrew(outing: Pick<OutingState, 'id'> | undefined) {
  const id = outing?.id ?? '';
  const asked = useKept<CrewMembership | null>(crewKey(id), () => api.crewOf(id), membershipMs, outing !== undefined);
  const crew = asked.data?.value ?? null;
  const board = useKept<CrewBoardAnswer>(boardKey(crew?.id ?? ''), () => api.crewBoard(crew!.id), boardMs, crew !== null);
  useLiveBoard(id, crew?.id ?? null);
  return { crew, board: crew ? (board.data?.value ?? null) : null, keptMs: board.data?.keptMs ?? null, isPending: asked.isPending };
}

/** Puts each board that the server sends in the place of the one before. */
function useLiveBoard(outing: string, crew: string | null): void {
  const client = useQueryClient();
  const { store } = useAccount();
  useEffect(() => {
    if (crew === null || globalThis.EventSource === undefined) return;
    const stream = new EventSource(api.crewStreamUrl(crew));
    stream.addEventListener('board', (event) => {
      const read = crewBoard.safeParse(JSON.parse((event as MessageEvent<string>).data));
      if (!read.success) return;
      const kept = { value: read.data, keptMs: Date.now() };
      client.setQueryData(boardKey(crew), kept);
      void store.keep(boardKey(crew).join('/'), kept, false);
    });
    stream.addEventListener('ended', () => {
      stream.close();
      void client.invalidateQueries({ queryKey: crewKey(outing) });
    });
    return () => stream.close();
  }, [client, store, outing, crew]);
}

/** Opening, joining, leaving and ending a crew: each needs the server once. */
export function useCrewChanges(outing: Pick<OutingState, 'id'>) {
  const client = useQueryClient();
  const settle = () => client.invalidateQueries({ queryKey: crewKey(outing.id) });
  return {
    open: useMutation({ mutationFn: (name: string) => api.openCrew(outing.id, name), onSuccess: settle }),
    join: useMutation({ mutationFn: ({ code, name }: { code: string; name: string }) => api.joinCrew(code, outing.id, name), onSuccess: settle }),
    leave: useMutation({ mutationFn: (crew: CrewMembership) => (crew.isYours ? api.endCrew(crew.id) : api.leaveCrew(crew.id)), onSuccess: settle }),
  };
}
