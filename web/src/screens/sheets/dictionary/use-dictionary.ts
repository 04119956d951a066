/** Computing, stopping and keeping a sheet's dictionary. */
import type { BenchedSheet, FaultDictionary } from '@jeitinho/core/bench';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { ask } from '../../../data/api';
import { computeDictionary } from '../../../data/dictionary';
import { dictionaryOptions } from '../../../data/queries';

export interface Computing {
  readonly done: number;
  readonly of: number;
}

export function useDictionary(sheet: BenchedSheet, keeps: boolean) {
  const client = useQueryClient();
  const [computing, setComputing] = useState<Computing>();
  const [trouble, setTrouble] = useState<string>();
  const [fresh, setFresh] = useState<FaultDictionary>();
  const stopper = useRef<AbortController>(undefined);
  useEffect(() => () => stopper.current?.abort(), []);
  const compute = async (draws: number) => {
    const own = new AbortController();
    stopper.current = own;
    setTrouble(undefined);
    setComputing({ done: 0, of: 1 });
    try {
      const dictionary = await computeDictionary(sheet, {
        draws,
        seed: 1,
        signal: own.signal,
        onProgress: (done, of) => setComputing({ done, of }),
      });
      setFresh(dictionary);
      setComputing(undefined);
      if (!keeps) return;
      await ask('keepDictionary', {
        params: { id: sheet.id, revision: sheet.revision },
        body: dictionary,
      });
      await client.invalidateQueries({
        queryKey: dictionaryOptions(sheet.id, sheet.revision).queryKey,
      });
    } catch (error) {
      setComputing(undefined);
      if ((error as Error).name === 'AbortError') setTrouble('Stopped. Nothing was changed.');
      else setTrouble(`${(error as Error).message} What was computed stays on this screen only.`);
    }
  };
  return { computing, trouble, fresh, compute, stop: () => stopper.current?.abort() };
}
