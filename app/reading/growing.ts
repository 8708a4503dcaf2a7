import { useState } from 'react';

/** After so many milliseconds of work; `seq`: just after this change, of those that were made at that moment. */
export type GrowthMoment = { worked: number; seq: number | null };
export const AS_IT_IS: GrowthMoment = { worked: Infinity, seq: null };

/** Which moment of a piece's growth is shown; what it is made of loads when it is asked for. */
export function useGrowing({ handoutId, id }: { handoutId: string; id: string }) {
  const [asked, setAsked] = useState(0);
  const [shown, show] = useState<GrowthMoment>(AS_IT_IS);
  return {
    address: `/handouts/${handoutId}/reading/${id}/growth`,
    asked,
    shown,
    show,
    begin: () => {
      setAsked((count) => count + 1);
      show(AS_IT_IS);
    },
  };
}
export type Growing = ReturnType<typeof useGrowing>;
