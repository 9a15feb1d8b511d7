'use client';

import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { Job } from '@/contracts/job';
import { faceShape, USUAL_PART } from '@/core/layout/part';
import { readStock, STOCK_WORDS } from '@/core/layout/read-stock';
import { tell, type Display } from '@/core/units/show';
import { FaceDrawing } from '@/ui/drawings/face-drawing';
import { SelectField, TextField } from '@/ui/field';
import Modal from '@/ui/modal';
import { send } from '@/ui/send';

interface Props {
  display: Display;
  onClose: () => void;
}

interface Named {
  id: string;
  label: string;
}

const materials = async (): Promise<Named[]> => {
  const got = await send<{ materials: Named[] }>('GET', '/api/v1/materials');
  return got.ok ? got.value.materials : [];
};

/** The part first: what it is called, of what stock and metal, how many. Nothing is made until the key is pressed. */
export default function NewJob({ display, onClose }: Props) {
  const router = useRouter();
  const [name, setName] = useState('');
  const [stock, setStock] = useState('');
  const [material, setMaterial] = useState('steel-low-carbon');
  const [parts, setParts] = useState('1');
  const [fault, setFault] = useState<string>();
  const { data: metals = [] } = useQuery({ queryKey: ['materials'], queryFn: materials, staleTime: 60_000 });
  const metal = metals.some((m) => m.id === material) ? material : (metals[0]?.id ?? material);
  const read = readStock(stock, display === 'inch' ? 'in' : 'mm');
  const quantity = Number(parts);
  const isCount = Number.isInteger(quantity) && quantity >= 1;
  const canMake = name.trim() !== '' && isCount && (stock.trim() === '' || read.ok);

  async function make(): Promise<void> {
    const id = uuidv7();
    const job = {
      id,
      name: name.trim(),
      materialId: metal,
      quantity,
      units: display,
      holes: [],
      ...(read.ok ? { part: { ...USUAL_PART, stock: read.value } } : {}),
    };
    const got = await send<Job>('POST', '/api/v1/jobs', job);
    if (got.ok) router.push(`/jobs/${id}/plate`);
    else setFault(got.fault);
  }

  return (
    <Modal title="New job" onClose={onClose}>
      <form
        className="flex flex-col gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          if (canMake) void make();
        }}
      >
        <TextField label="What is it called?" value={name} onChange={setName} placeholder="Pier adapter plate" />
        <TextField
          label="Stock"
          value={stock}
          onChange={setStock}
          placeholder={Object.values(STOCK_WORDS).join(', ')}
          error={
            stock.trim() !== '' && !read.ok
              ? `${tell(read.problems[0], display)} ${tell(read.problems[0].remedy, display)}`
              : undefined
          }
          hint={
            stock.trim() === ''
              ? 'A plate, ø for a bar, or disc and tube by name. Left out, the stock is assumed and marked so.'
              : undefined
          }
        />
        {read.ok && (
          <div className="dye flex h-40 justify-center p-2">
            <FaceDrawing
              sketch={{ face: 'top', shape: faceShape({ ...USUAL_PART, stock: read.value }.stock, 'top'), holes: [] }}
              className="h-full"
            />
          </div>
        )}
        <div className="grid grid-cols-[1fr_7rem] gap-2">
          {metals.length === 0 ? (
            <span />
          ) : (
            <SelectField label="Metal" value={metal} onChange={setMaterial}>
              {metals.map((m) => (
                <option key={m.id} value={m.id}>
                  {m.label}
                </option>
              ))}
            </SelectField>
          )}
          <TextField
            label="Parts"
            value={parts}
            onChange={setParts}
            inputMode="decimal"
            error={isCount ? undefined : 'A whole number from 1.'}
          />
        </div>
        {fault && (
          <p role="alert" className="font-bold text-danger">
            {fault}
          </p>
        )}
        <button type="submit" className="btn-next self-start" disabled={!canMake}>
          Make the job
        </button>
      </form>
    </Modal>
  );
}
