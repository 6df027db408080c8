import { Link } from "react-router";
import { pageOf } from "../../lib/page";
import { moment } from "../../lib/time";
import { Heading, OnItsWay } from "../../ui/Page";
import { SubNav } from "../../ui/SubNav";
import { useAccountSearch } from "./mode";
import { useLetters } from "./queries";
import { VIEWS } from "./views";

const WAYS = { text: "Text message", call: "Call", mail: "Mail" };

/** The simulated phone and mailbox: what came to the owner, and what went to buyers. */
export function LettersPage() {
  const letters = useLetters().data;
  const search = useAccountSearch();
  if (!letters) return <OnItsWay />;
  return (
    <>
      <SubNav label="Views of Accounts" search={search} views={VIEWS} />
      <Heading title="Phone and mailbox" note="simulated: nothing leaves this machine" />
      <div className="border-t border-ink pt-3 grid lg:grid-cols-2 gap-8">
        <section aria-labelledby="to-you">
          <h2 id="to-you" className="text-lg mb-1">
            To you
          </h2>
          {letters.letters.length === 0 && (
            <p className="text-soft">
              Nothing came yet. Codes by phone and letters of providers will lie here.
            </p>
          )}
          {letters.letters.map((letter) => (
            <article key={letter.id} className="border-t border-rule-soft py-2">
              <p className="text-small text-soft">
                {WAYS[letter.way]} from {letter.sender} to {letter.to}, {moment(letter.at)}
              </p>
              {letter.subject && <h3 className="font-sans text-figure font-semibold">{letter.subject}</h3>}
              <p>{letter.text}</p>
              {letter.link && (
                <p>
                  <a
                    href={pageOf(letter.link)}
                    className="text-verdigris font-semibold underline underline-offset-4"
                  >
                    Yes, connect it
                  </a>
                </p>
              )}
            </article>
          ))}
        </section>
        <section aria-labelledby="to-buyers">
          <h2 id="to-buyers" className="text-lg mb-1">
            To buyers
          </h2>
          {letters.messages.length === 0 && (
            <p className="text-soft">Nothing was sent yet. Messages about orders will lie here.</p>
          )}
          {letters.messages.map((message) => (
            <article
              key={`${message.order}${message.at}${message.subject}`}
              className="border-t border-rule-soft py-2"
            >
              <p className="text-small text-soft">
                To {message.to}, {moment(message.at)}
              </p>
              <h3 className="font-sans text-figure font-semibold">
                <Link
                  to={`/rehearse?order=${message.order}`}
                  className="underline decoration-rule underline-offset-4"
                >
                  {message.subject}
                </Link>
              </h3>
              <p>{message.text}</p>
            </article>
          ))}
        </section>
      </div>
    </>
  );
}
