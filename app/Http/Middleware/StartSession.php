<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Contracts\Session\Session;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession as Middleware;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/**
 * A session that was ended stays ended, also for what another tab of the same browser had sent before it knew: the answer to that neither
 * writes the session back, nor puts a cookie in the place of the one that somebody else signed in with meanwhile. What scripts ask for
 * beside a page leaves the session alone.
 */
final class StartSession extends Middleware
{
    /** Seconds after which a session is written though nothing in it changed, so that it does not end under whoever has a page open. */
    private const FRESH = 3600;

    private string $begunAs = '';

    /** What it held when it was begun. */
    private string $begunWith = '';

    private bool $isNobodys = false;

    /** Ends a session for good; whatever still comes with it is nobody's. */
    public static function end(Session $session): void
    {
        // Beside the session, where no answer that is under way writes.
        $session->getHandler()->write(self::mark($session->getId()), 'u'.Auth::id());
        $session->invalidate();
    }

    public function startSession(Request $request, $session): Session
    {
        $this->isNobodys = false;
        $started = parent::startSession($request, $session);
        $endedBy = (string) $started->getHandler()->read(self::mark($started->getId()));
        if ($endedBy !== '') {
            $started->flush();
            $this->isNobodys = true;
            foreach ($request->cookies->all() as $name => $value) {
                if (str_starts_with((string) $name, 'remember_')) {
                    // Whoever signed in since is remembered; who was here before is not.
                    $isTheirs = 'u'.explode('|', (string) $value)[0] === $endedBy;
                    $isTheirs ? $request->cookies->remove((string) $name) : $this->isNobodys = false;
                }
            }
            $this->isNobodys || $started->setId('');
        }
        $this->begunAs = $endedBy === '' && $started->getHandler()->read($started->getId()) !== '' ? $started->getId() : '';
        $this->begunWith = serialize($started->all());

        return $started;
    }

    protected function addCookieToResponse(Response $response, Session $session): void
    {
        $this->ended($session) || parent::addCookieToResponse($response, $session);
    }

    /** @param Request $request */
    protected function saveSession($request): void
    {
        if ($this->ended($request->session()) || $this->isBeside($request)) {
            return;
        }
        $request->session()->put('_kept_at', now()->getTimestamp());
        parent::saveSession($request);
    }

    /**
     * Whether a script asked for something beside its page and nothing in the session changed by it. Written back, it would undo what
     * another request of the same browser wrote meanwhile, and take away the message that was meant for the next page. (Fetch Metadata
     * Request Headers, W3C, 2.1)
     */
    private function isBeside(Request $request): bool
    {
        $session = $request->session();

        return $request->isMethodSafe()
            && ! self::isPage($request)
            && $this->begunAs === $session->getId()
            && (int) $session->get('_kept_at') > now()->getTimestamp() - self::FRESH
            && serialize($session->all()) === $this->begunWith;
    }

    /** Whether the browser shows the answer by itself; one that does not say so may. */
    private static function isPage(Request $request): bool
    {
        return in_array($request->headers->get('Sec-Fetch-Dest', 'document'), ['document', 'iframe', 'embed', 'object'], true);
    }

    /** The page that one was on; what its scripts asked for since is none. */
    protected function storeCurrentUrl(Request $request, $session): void
    {
        self::isPage($request) && parent::storeCurrentUrl($request, $session);
    }

    /** Whether it was ended before the request came, or while it was worked on; who signs in with it gets another one. */
    private function ended(Session $session): bool
    {
        return ($this->isNobodys && Auth::id() === null)
            || ($this->begunAs !== ''
                && $session->getId() === $this->begunAs
                && ($session->getHandler()->read($this->begunAs) === '' || $session->getHandler()->read(self::mark($this->begunAs)) !== ''));
    }

    private static function mark(string $session): string
    {
        return "ended{$session}";
    }
}
