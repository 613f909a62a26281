import { Link } from "react-router";
import { PageHead } from "../components/PageHead";
import { Notice } from "../components/Notice";

export function NotFoundScreen() {
  return (
    <>
      <PageHead title="Nothing here" />
      <div className="grow bg-sheet px-4">
        <Notice
          action={
            <Link to="/" className="underline">
              All studies
            </Link>
          }
        >
          There is no page at this address.
        </Notice>
      </div>
    </>
  );
}
