import { Modal } from '@mantine/core';
import type { ReactNode } from 'react';
import { create } from 'zustand';
import { plainDirection } from '../words/plain.ts';

interface Question {
  readonly title: string;
  readonly body: ReactNode;
  /** What the answers are called. */
  readonly yes: string;
  readonly no: string;
  /** A third one, between them. */
  readonly other?: string;
}

export type Answer = 'yes' | 'no' | 'other';

interface Asking {
  readonly question: (Question & { readonly answer: (answer: Answer) => void }) | null;
}

const useAsking = create<Asking>()(() => ({ question: null }));

/** Asks the person; closing the question is a no. One that is asked while another stands is answered with no. */
export const ask = async (question: Omit<Question, 'other'>): Promise<boolean> => (await askAmong(question)) === 'yes';

/** The same with a third answer. */
export function askAmong(question: Question): Promise<Answer> {
  if (useAsking.getState().question) return Promise.resolve('no');
  return new Promise((resolve) => {
    const answer = (given: Answer): void => {
      useAsking.setState({ question: null });
      resolve(given);
    };
    useAsking.setState({ question: { ...question, answer } });
  });
}

/** Where questions are shown, over every view. */
export function Questions() {
  const question = useAsking((state) => state.question);
  if (!question) return null;
  const { title, body, yes, no, other, answer } = question;
  return (
    <Modal
      opened
      onClose={() => answer('no')}
      title={plainDirection(title)}
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          answer('yes');
        }}
      >
        {body}
        <div className="question-answers">
          <button type="button" className="bar-button" data-autofocus onClick={() => answer('no')}>
            {no}
          </button>
          {other !== undefined && (
            <button type="button" className="bar-button" onClick={() => answer('other')}>
              {other}
            </button>
          )}
          <button type="submit" className="bar-button strong">
            {yes}
          </button>
        </div>
      </form>
    </Modal>
  );
}
