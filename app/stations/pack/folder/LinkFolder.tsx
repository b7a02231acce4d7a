/** Chooses a folder on disk for the open site. */
import Button from '@mui/material/Button';
import { refuse } from '~core/site/index.ts';
import { canLink, chooseFolder } from '../../../data/folder/access';
import { useSite } from '../../../ui/site/openSite';

interface LinkFolderProps {
  children: string;
}

/** Nothing where the browser cannot keep a folder in step. */
export function LinkFolder({ children }: LinkFolderProps) {
  const { session } = useSite().site;
  if (!canLink()) return null;
  const link = async () => {
    try {
      const handle = await chooseFolder();
      if (handle) session.tellOutcome(await session.folder.link(handle));
    } catch (error) {
      session.tellOutcome(refuse(`The folder could not be linked: ${String(error)}.`));
    }
  };
  return <Button onClick={() => void link()}>{children}</Button>;
}
