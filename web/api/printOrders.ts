import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import * as contract from '../../contract/index.ts';
import type { HouseBehaviour } from '../../core/print/index.ts';
import { call } from './client.ts';

const HOUSE = ['print-house'];
const ORDERS = ['print-orders'];

/** Orders are asked for again after so many ms: soon while a file is on its way, at leisure while a strike-off is awaited. */
const [SOON, LATER] = [700, 2500];

/** What the print house takes, and how the simulated one behaves. */
export function usePrintHouse() {
  return useQuery({ queryKey: HOUSE, queryFn: () => call(contract.readPrintHouse, {}) });
}

export function useBehaviour() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (behaviour: HouseBehaviour) => call(contract.tellPrintHouse, { body: { behaviour } }),
    onSuccess: () => Promise.all([HOUSE, ORDERS].map((queryKey) => client.invalidateQueries({ queryKey }))),
  });
}

/** The orders, followed while something is to be expected of them. */
export function usePrintOrders() {
  return useQuery({
    queryKey: ORDERS,
    queryFn: () => call(contract.listPrintOrders, {}),
    refetchInterval: ({ state: { data } }) => {
      const states = new Set(data?.orders.map(({ state }) => state));
      if (states.has('making') || states.has('sending')) return SOON;
      return states.has('sent') || states.has('approved') ? LATER : false;
    },
  });
}

type Mutation =
  | { readonly order: contract.JsonBodyOf<typeof contract.orderPrint> }
  | { readonly resume: string }
  | { readonly approve: string }
  | { readonly cancel: string };

/** Whatever is done to orders. */
export function usePrintMutation() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (mutation: Mutation): Promise<contract.PrintOrder> => {
      if ('order' in mutation) return call(contract.orderPrint, { body: mutation.order });
      if ('resume' in mutation) return call(contract.resumePrint, { params: { id: mutation.resume } });
      if ('approve' in mutation) return call(contract.approvePrint, { params: { id: mutation.approve } });
      return call(contract.cancelPrint, { params: { id: mutation.cancel } });
    },
    onSettled: () => client.invalidateQueries({ queryKey: ORDERS }),
  });
}
