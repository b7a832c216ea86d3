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
 * writes the session back, nor puts a cookie in the place of the one that somebody else signed in with meanwhile.
 */
final class StartSession extends Middleware
{
    private string $begunAs = '';

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

        return $started;
    }

    protected function addCookieToResponse(Response $response, Session $session): void
    {
        $this->ended($session) || parent::addCookieToResponse($response, $session);
    }

    /** @param Request $request */
    protected function saveSession($request): void
    {
        $this->ended($request->session()) || parent::saveSession($request);
    }

    /** Whether it was ended before the request came, or while it was worked on; who signs in with it gets another one. */
    private function ended(Session $session): bool
    {
        return ($this->isNobodys && Auth::id() === null)
            || ($this->begunAs !== '' && $session->getId() === $this->begunAs && ($session->getHandler()->read($this->begunAs) === '' || $session->getHandler()->read(self::mark($this->begunAs)) !== ''));
    }

    private static function mark(string $session): string
    {
        return "ended{$session}";
    }
}
