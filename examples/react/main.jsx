import { StrictMode, useState } from 'react';
import { createRoot } from 'react-dom/client';
import Barrel from './tea-barrel.paceline.json?react';

function Page() {
  const [rounds, setRounds] = useState(0);
  return (
    <>
      <Barrel rate={4} onLoop={() => setRounds((count) => count + 1)} />
      <p>
        Rounds: <output id="count">{rounds}</output>
      </p>
    </>
  );
}

createRoot(document.querySelector('#root')).render(
  <StrictMode>
    <Page />
  </StrictMode>,
);
