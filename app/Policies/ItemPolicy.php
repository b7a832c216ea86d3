<?php

declare(strict_types=1);

namespace App\Policies;

use App\Making\Making;
use App\Models\Drafts;
use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\Publishing;
use App\Models\Role;
use App\Models\User;
use App\Saving\Rules;
use App\View\Desks\Desk;
use Illuminate\Auth\Access\Response;

/** Rights on an item, by those on its shelf. */
final class ItemPolicy
{
    /** A side line is seen by whoever sees what it is proposed for, and written by who proposes; there is nothing else to do with it. */
    public function before(User $user, string $ability, mixed $item = null): ?Response
    {
        // Items of a list come without it.
        $main = $item instanceof Item && $item->isLine() ? $item->loadMissing('main')->main : null;

        return $main === null ? null : match ($ability) {
            'view', 'draft' => $this->talk($user, $main),
            'write', 'settle' => $this->writesOn($user, $item, $main),
            default => Response::denyAsNotFound(),
        };
    }

    private function writesOn(User $user, Item $line, Item $main): Response
    {
        $propose = $this->propose($user, $main);
        $own = Proposal::onLine($line)?->user_id === $user->id;

        return $propose->denied() || $own
            ? $propose
            : ($this->talk($user, $main)->allowed()
                ? Response::deny(__('proposing.not_yours'))
                : Response::denyAsNotFound());
    }

    public function view(User $user, Item $item): Response
    {
        // What people answered is for those who work with it, and so is what was deleted.
        $sees = $this->atLeast($user, $item, $item->form_id !== null ? Role::Editor : Role::Viewer);

        return $sees->denied() || $item->isStanding()
            ? $sees
            : ($this->atLeast($user, $item, Role::Editor)->allowed()
                ? $sees
                : Response::denyAsNotFound());
    }

    /** Answering a form: everybody on its shelf, and those whose address it names, wherever they are. */
    public function fill(User $user, Item $item): Response
    {
        $view = $this->view($user, $item);

        return $this->standing(
            $item,
            $view->denied() && $user->proved && $item->live !== null && $item->room(Rules::class)->asks($item->live, $user->email)
                ? Response::allow()
                : $view,
        );
    }

    /** Seeing and editing what was answered. */
    public function entries(User $user, Item $item): Response
    {
        return $item->isAnswered() ? $this->atLeast($user, $item, Role::Editor) : Response::denyAsNotFound();
    }

    /** What is not published yet. */
    public function draft(User $user, Item $item): Response
    {
        $view = $this->view($user, $item);

        return $view->denied() || ! $item->isPublishable() || $item->shelf->showsDraftsTo($user)
            ? $view
            : Response::deny(__('rights.no_drafts', ['shelf' => $item->shelf->name]));
    }

    /** Letting readers see it, and saying yes when others wish to. */
    public function publish(User $user, Item $item): Response
    {
        $view = $this->view($user, $item);

        return match (true) {
            $view->denied() => $view,
            ! $item->isPublishable() => Response::denyAsNotFound(),
            default => $this->standing(
                $item,
                $item->shelf->letsPublish($user) ? $view : Response::deny(__('rights.needs_publisher', ['shelf' => $item->shelf->name])),
            ),
        };
    }

    /**
     * Publishing a version without asking. Where a shelf wants somebody else's yes, that is the yes of somebody who wrote nothing
     * of what readers see new; what they saw before needs none.
     *
     * @param  int|null  $number  of the version; the newest one if not given
     */
    public function publishNow(User $user, Item $item, ?int $number = null): Response
    {
        $publish = $this->publish($user, $item);
        $mayAlone
            = ! $item->shelf->asks || ! $item->shelf->othersLetPublish($user) || ! $this->bringsOwnWords($user, $item, $number ?? $item->head);

        return $publish->denied() || $mayAlone ? $publish : Response::deny(__('rights.needs_yes', ['shelf' => $item->shelf->name]));
    }

    private function bringsOwnWords(User $user, Item $item, int $number): bool
    {
        if ($item->publishings()->whereNotNull('count')->whereRelation('version', 'number', $number)->exists()) {
            return false;
        }
        $live = $item->live->version->number ?? 0;

        return $number < $live
            || $item->versions()->where('number', '>', $live)->where('number', '<=', $number)->where('user_id', $user->id)->exists();
    }

    /** Who may read it at all: an address for everybody, or nobody any more. */
    public function open(User $user, Item $item): Response
    {
        return $this->publish($user, $item);
    }

    /** Looking at a proposed change: who proposed it, and those who may say yes. */
    public function seeProposal(User $user, Item $item, Proposal $proposal): Response
    {
        if ($proposal->line_id !== null) {
            return $proposal->item_id === $item->id ? $this->talk($user, $item) : Response::denyAsNotFound();
        }
        $view = $this->view($user, $item);
        $may = $proposal->item_id === $item->id
        && ($proposal->user_id === $user->id || $item->shelf->letsPublish($user) || $item->shelf->drafts === Drafts::Everyone);

        return $view->denied() || $may ? $view : Response::denyAsNotFound();
    }

    /** Saying yes or no to one: somebody else's, unless nobody else may. */
    public function decide(User $user, Item $item, Proposal $proposal): Response
    {
        $see = $this->seeProposal($user, $item, $proposal);

        return match (true) {
            $see->denied() => $see,
            $proposal->line_id !== null => $this->write($user, $item),
            ! $item->shelf->letsPublish($user) => Response::deny(__('rights.needs_publisher', ['shelf' => $item->shelf->name])),
            $proposal->user_id === $user->id && $item->shelf->othersLetPublish($user) => Response::deny(
                __('rights.needs_yes', ['shelf' => $item->shelf->name]),
            ),
            default => $this->standing($item, $see),
        };
    }

    /** Saying yes or no to a wish: somebody else's, unless nobody else may. */
    public function answer(User $user, Item $item, Publishing $wish): Response
    {
        $publish = $this->publish($user, $item);

        return match (true) {
            $wish->item_id !== $item->id => Response::denyAsNotFound(),
            $publish->denied() => $publish,
            default => $wish->user_id !== $user->id || ! $item->shelf->othersLetPublish($user)
                ? $publish
                : Response::deny(__('rights.needs_yes', ['shelf' => $item->shelf->name])),
        };
    }

    /** Looking at a wish to publish: those who may answer it, and those who see drafts. */
    public function seeWish(User $user, Item $item, Publishing $wish): Response
    {
        $draft = $this->draft($user, $item);

        return $wish->item_id !== $item->id ? Response::denyAsNotFound() : ($draft->allowed() ? $draft : $this->publish($user, $item));
    }

    /** Wishing that readers see it. */
    public function askToPublish(User $user, Item $item): Response
    {
        $write = $this->write($user, $item);

        return $write->allowed() && ! $item->isPublishable() ? Response::denyAsNotFound() : $write;
    }

    /** Calling it something else; an entry is called by its number. */
    public function rename(User $user, Item $item): Response
    {
        return $item->form_id !== null ? Response::denyAsNotFound() : $this->write($user, $item);
    }

    /** A file as its next version. */
    public function bringFile(User $user, Item $item): Response
    {
        $write = $this->write($user, $item);

        return $write->allowed() && ($item->room(Making::class)::ENDINGS === [] || $item->follows()) ? Response::denyAsNotFound() : $write;
    }

    /** Seeing what is said about it: whoever sees drafts. Readers of what is published are told of none. */
    public function talk(User $user, Item $item): Response
    {
        return $this->draft($user, $item);
    }

    /** Saying something about it. */
    public function comment(User $user, Item $item): Response
    {
        $talk = $this->talk($user, $item);

        return $talk->denied()
            ? $talk
            : $this->standing(
                $item,
                $this->atLeast($user, $item, $item->shelf->viewers_comment && $item->form_id === null ? Role::Viewer : Role::Editor),
            );
    }

    /** Proposing changes to it instead of making them. */
    public function propose(User $user, Item $item): Response
    {
        $talk = $this->talk($user, $item);

        return match (true) {
            $talk->denied() => $talk,
            ! $item->room(Desk::class)->takesProposals($item) => Response::denyAsNotFound(),
            default => $this->standing($item, $this->atLeast($user, $item, $item->shelf->viewers_propose ? Role::Viewer : Role::Editor)),
        };
    }

    /** Giving a link with which people without an account propose, and taking it back. */
    public function letPropose(User $user, Item $item): Response
    {
        $propose = $this->propose($user, $item);

        return match (true) {
            $propose->denied() => $propose,
            ! $item->room(Desk::class)->asksVisitors($item) => Response::denyAsNotFound(),
            default => $this->atLeast($user, $item, Role::Owner),
        };
    }

    /** Writing, and marking milestones. */
    public function write(User $user, Item $item): Response
    {
        return $this->standing($item, $this->atLeast($user, $item, Role::Editor));
    }

    public function restore(User $user, Item $item): Response
    {
        return $this->standing($item, $this->atLeast($user, $item, $item->shelf->editors_restore ? Role::Editor : Role::Owner));
    }

    /** Taking an entry away, and bringing it back: nobody does so alone where changes need a yes. */
    public function takeAway(User $user, Item $item): Response
    {
        $write = $this->atLeast($user, $item, Role::Editor);

        return match (true) {
            $item->form_id === null => Response::denyAsNotFound(),
            $item->lostWith() !== null && ! $item->lostWith()->is($item) => Response::deny(__('rights.taken_away')),
            $write->denied() || ! $item->shelf->asks_entries || $item->shelf->letsPublish($user) => $write,
            default => Response::deny(__('rights.needs_publisher', ['shelf' => $item->shelf->name])),
        };
    }

    /** Putting an item into Lost & found, and moving it to another shelf: what readers see goes by the yes of somebody who may publish. */
    public function delete(User $user, Item $item): Response
    {
        return $item->form_id !== null ? Response::denyAsNotFound() : $this->standing($item, $this->takingDown($user, $item));
    }

    /** Bringing it back from there. */
    public function bringBack(User $user, Item $item): Response
    {
        return $item->form_id !== null || $item->deleted_at === null ? Response::denyAsNotFound() : $this->takingDown($user, $item);
    }

    /** Deleting for good what is in Lost & found. */
    public function deleteForGood(User $user, Item $item): Response
    {
        return $item->form_id !== null || $item->deleted_at === null
            ? Response::denyAsNotFound()
            : $this->atLeast($user, $item, Role::Owner);
    }

    /** Saying what is kept of it, and letting versions go: never undone, so it is for owners. */
    public function keep(User $user, Item $item): Response
    {
        return $item->form_id !== null ? Response::denyAsNotFound() : $this->standing($item, $this->atLeast($user, $item, Role::Owner));
    }

    private function takingDown(User $user, Item $item): Response
    {
        $write = $this->atLeast($user, $item, Role::Editor);

        return $write->denied() || $item->live_id === null || $item->shelf->letsPublish($user)
            ? $write
            : Response::deny(__('rights.needs_publisher', ['shelf' => $item->shelf->name]));
    }

    /** Switching the history of a form's entries off and on. */
    public function keepEntries(User $user, Item $item): Response
    {
        return $item->isAnswered() ? $this->standing($item, $this->atLeast($user, $item, Role::Owner)) : Response::denyAsNotFound();
    }

    /** Its author settles an edit that was held back; an owner where the author can't. */
    public function settle(User $user, Item $item, HeldEdit $held): Response
    {
        $write = $this->write($user, $item);
        if ($held->item_id !== $item->id || $held->user_id === $user->id || $write->denied()) {
            return $held->item_id === $item->id && $held->user_id === $user->id ? $write : Response::denyAsNotFound();
        }
        $comes = $held->user->left_at === null
        && ($item->shelf->memberships->firstWhere('user_id', $held->user_id)?->role->atLeast(Role::Editor) ?? false);

        return $item->shelf->roleOf($user) === Role::Owner && ! $comes ? $write : Response::denyAsNotFound();
    }

    /** What was deleted stays as it is until it is brought back, and what is on a shelf that was put away until that is taken up again. */
    private function standing(Item $item, Response $response): Response
    {
        return match (true) {
            $response->denied() => $response,
            ! $item->isStanding() => Response::deny(__('rights.taken_away')),
            $item->shelf->archived_at !== null => Response::deny(__('rights.archived', ['shelf' => $item->shelf->name])),
            default => $response,
        };
    }

    private function atLeast(User $user, Item $item, Role $needed): Response
    {
        // Items of a list come without their shelves.
        $role = $item->loadMissing('shelf.memberships')->shelf->roleOf($user);
        if ($role === null) {
            return Response::denyAsNotFound();
        }

        return $role->atLeast($needed)
            ? Response::allow()
            : Response::deny(__("rights.needs_{$needed->value}", ['shelf' => $item->shelf->name]));
    }
}
