import { Container, Stack } from '@mantine/core';
import type { ReactNode } from 'react';
import { PageTitle } from '../ui/PageTitle.tsx';

/** The frame of every page before one is signed in. */
export function DoorPage({ title, children }: { title: string; children: ReactNode }) {
  return (
    <main>
      <Container size={440} py={{ base: 32, sm: 88 }}>
        <PageTitle>{title}</PageTitle>
        <Stack gap="lg">{children}</Stack>
      </Container>
    </main>
  );
}
