import type { NetworkView as Network } from "@wide-quilt/server/contract";
import { Download } from "lucide-react";
import { lazy, Suspense, type ReactNode } from "react";
import { address } from "../../api/client.ts";
import { failureOf, useNetworkQuery } from "../../api/queries.ts";
import { PageHead } from "../../app/PageHead.tsx";
import { LOCALE } from "../../app/preferences.ts";
import { useTitle } from "../../app/useTitle.ts";
import { button } from "../../ui/button.ts";

const PageCode = lazy(() => import("../booth/GuestsCode.tsx"));

/** How other computers, tablets and telephones come here, and what they are asked once. */
export function NetworkView() {
  const { data: network, error } = useNetworkQuery();
  const failure = failureOf(error);
  useTitle("Other computers");
  return (
    <div className="min-h-screen">
      <PageHead title="Other computers" />
      <main className="mx-auto flex max-w-[760px] flex-col gap-8 p-8 text-[14.5px] leading-relaxed">
        {failure && <p role="alert">{failure}</p>}
        {network?.addresses.length === 0 && <Closed />}
        {network && network.addresses.length > 0 && (
          <>
            <Open network={network} />
            {!network.certificate && <Plain />}
            {network.certificate?.isOwn && <Accept certificate={network.certificate} />}
          </>
        )}
      </main>
    </div>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="flex flex-col gap-3">
      <h2 className="text-[17px] font-semibold">{title}</h2>
      {children}
    </section>
  );
}

const Command = ({ children }: { children: string }) => (
  <code className="block overflow-x-auto rounded-lg bg-chrome px-4 py-3 font-mono text-[13px] whitespace-pre">
    {children}
  </code>
);

function Open({ network }: { network: Network }) {
  return (
    <Part title="Where this Wide Quilt is">
      <ul className="flex flex-col gap-3">
        {network.addresses.map((one) => (
          <li key={one} className="flex flex-wrap items-center gap-4">
            <Suspense fallback={<span className="size-28" />}>
              <PageCode address={one} className="size-28 rounded bg-white" />
            </Suspense>
            <span className="measure text-[15px] break-all select-all">{one}</span>
          </li>
        ))}
      </ul>
      <p className="text-ink-2">
        Another computer in the same network opens it with ?key= and the key behind it, once. Guests of an
        event need no key: their pages have addresses of their own.
      </p>
    </Part>
  );
}

const Closed = () => (
  <Part title="Only this computer is let in">
    <p>
      For a tablet as a second screen, or for telephones of guests, start Wide Quilt so that others reach it,
      with a key of your own:
    </p>
    <Command>npm start -- --host 0.0.0.0 --key a-key-of-yours --tls own</Command>
    <p className="text-ink-2">
      Then this page has the address, and says what other computers are asked once.
    </p>
  </Part>
);

const Plain = () => (
  <Part title="Cameras of other computers">
    <p>
      Browsers give their camera to pages over HTTPS alone, and this server speaks plain HTTP. Start it with a
      certificate of yours, or have it make one:
    </p>
    <Command>npm start -- --host 0.0.0.0 --key a-key-of-yours --tls own</Command>
    <p className="text-ink-2">Photos can be sent as files without that.</p>
  </Part>
);

function Accept({ certificate }: { certificate: NonNullable<Network["certificate"]> }) {
  const until = new Date(certificate.until).toLocaleDateString(LOCALE, { dateStyle: "long" });
  return (
    <Part title="What other computers ask once">
      <p>
        This server made its certificate itself, so no authority vouches for it, and a browser warns before it
        opens the page. What is sent is encrypted all the same.
      </p>
      <ol className="flex list-decimal flex-col gap-2 pl-5">
        <li>Open the address on the other computer. The browser says that the connection is not private.</li>
        <li>
          Open its details there, look at the certificate, and compare its SHA-256 fingerprint with this one:
          <span className="measure mt-1 block text-[12.5px] break-all whitespace-normal! select-all">
            {certificate.fingerprint}
          </span>
        </li>
        <li>Where they are alike, choose to visit the page anyway. The browser remembers it.</li>
      </ol>
      <p>
        A tablet that still keeps its camera from the page takes the certificate as one that it trusts: open
        this file on it, and confirm it in its settings.
      </p>
      <a href={address.certificate} download className={`${button.plain} self-start`}>
        <Download size={15} aria-hidden /> Certificate
      </a>
      <p className="text-ink-2">It is good until {until}; then another is made, and is asked for again.</p>
    </Part>
  );
}
