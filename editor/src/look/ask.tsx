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
}

interface Asking {
  readonly question: (Question & { readonly answer: (yes: boolean) => void }) | null;
}

const useAsking = create<Asking>()(() => ({ question: null }));

/** Asks the person; closing the question is a no. One that is asked while another stands is answered with no. */
export function ask(question: Question): Promise<boolean> {
  if (useAsking.getState().question) return Promise.resolve(false);
  return new Promise((resolve) => {
    const answer = (yes: boolean): void => {
      useAsking.setState({ question: null });
      resolve(yes);
    };
    useAsking.setState({ question: { ...question, answer } });
  });
}

/** Where questions are shown, over every view. */
export function Questions() {
  const question = useAsking((state) => state.question);
  if (!question) return null;
  const { title, body, yes, no, answer } = question;
  return (
    <Modal
      opened
      onClose={() => answer(false)}
      title={plainDirection(title)}
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      {body}
      <div className="question-answers">
        <button type="button" className="bar-button" data-autofocus onClick={() => answer(false)}>
          {no}
        </button>
        <button type="button" className="bar-button strong" onClick={() => answer(true)}>
          {yes}
        </button>
      </div>
    </Modal>
  );
}
