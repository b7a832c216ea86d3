<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Publishing;
use App\Models\Role;
use App\Models\Sight;
use App\Models\User;
use App\Store\States;
use Illuminate\Auth\Access\Response;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Kinds\Form\Opening;

/** Rights on an item, by those on its shelf. */
final class ItemPolicy
{
    public function view(User $user, Item $item): Response
    {
        // What people answered is for those who work with it.
        return $this->atLeast($user, $item, $item->kind === 'entry' ? Role::Editor : Role::Viewer);
    }

    /** Answering a form: everybody on its shelf, and those whom it names, wherever they are. */
    public function fill(User $user, Item $item): Response
    {
        $view = $this->view($user, $item);
        if ($view->allowed() || $item->kind !== 'form' || $item->live === null) {
            return $view;
        }
        $settings = array_filter(app(States::class)->tree($item->live->version->root)->parts, fn (Part $part) => $part->role === 'settings');

        return (new Opening(array_values($settings)[0] ?? null))->names($user->email) ? Response::allow() : $view;
    }

    /** Seeing and editing what was answered. */
    public function entries(User $user, Item $item): Response
    {
        return $item->kind === 'form' ? $this->atLeast($user, $item, Role::Editor) : Response::denyAsNotFound();
    }

    /** What is not published yet. */
    public function draft(User $user, Item $item): Response
    {
        $view = $this->view($user, $item);

        return $view->denied() || ! $item->isPublishable() || Sight::includesDrafts($user, $item) ? $view : Response::deny(__('rights.no_drafts', ['shelf' => $item->shelf->name]));
    }

    /** Letting readers see it, and saying yes when others wish to. */
    public function publish(User $user, Item $item): Response
    {
        $view = $this->view($user, $item);

        return match (true) {
            $view->denied() => $view,
            ! $item->isPublishable() => Response::denyAsNotFound(),
            default => $item->shelf->letsPublish($user) ? $view : Response::deny(__('rights.needs_publisher', ['shelf' => $item->shelf->name])),
        };
    }

    /** Publishing without asking: not where a shelf wants somebody else's yes, unless the wish that waits is another's. */
    public function publishNow(User $user, Item $item): Response
    {
        $publish = $this->publish($user, $item);
        $mayAlone = ! $item->shelf->asksAbout($item) || ! $item->shelf->othersLetPublish($user) || $item->publishings()->waiting()->where('user_id', '!=', $user->id)->exists();

        return $publish->denied() || $mayAlone ? $publish : Response::deny(__('rights.needs_yes', ['shelf' => $item->shelf->name]));
    }

    /** Who may read it at all: an address for everybody, or nobody any more. Entries are for those who work with them. */
    public function open(User $user, Item $item): Response
    {
        return $item->kind === 'entry' ? Response::denyAsNotFound() : $this->publish($user, $item);
    }

    /** Saying yes or no to a wish: somebody else's, unless nobody else may. */
    public function answer(User $user, Item $item, Publishing $wish): Response
    {
        $publish = $this->publish($user, $item);

        return match (true) {
            $wish->item_id !== $item->id => Response::denyAsNotFound(),
            $publish->denied() => $publish,
            default => $wish->user_id !== $user->id || ! $item->shelf->othersLetPublish($user) ? $publish : Response::deny(__('rights.needs_yes', ['shelf' => $item->shelf->name])),
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

    /** Writing, naming, and marking milestones. */
    public function write(User $user, Item $item): Response
    {
        return $this->atLeast($user, $item, Role::Editor);
    }

    public function restore(User $user, Item $item): Response
    {
        if ($item->kind === 'entry' && $item->sight !== null && $item->withoutDraft()->whereKey($item->id)->doesntExist()) {
            return Response::deny(__('rights.waits'));
        }

        return $this->atLeast($user, $item, $item->shelf->editors_restore ? Role::Editor : Role::Owner);
    }

    /** Taking an entry away, and bringing it back: nobody does so alone where changes need a yes. */
    public function takeAway(User $user, Item $item): Response
    {
        $write = $this->write($user, $item);

        return match (true) {
            $item->kind !== 'entry' => Response::denyAsNotFound(),
            $write->denied() || ! $item->shelf->asks_entries || $item->shelf->letsPublish($user) => $write,
            default => Response::deny(__('rights.needs_publisher', ['shelf' => $item->shelf->name])),
        };
    }

    /** Switching the history of a form's entries off and on. */
    public function keepEntries(User $user, Item $item): Response
    {
        return $item->kind === 'form' ? $this->atLeast($user, $item, Role::Owner) : Response::denyAsNotFound();
    }

    /** Its author settles an edit that was held back; an owner where the author can't. */
    public function settle(User $user, Item $item, HeldEdit $held): Response
    {
        $write = $this->write($user, $item);
        if ($held->item_id !== $item->id || $held->user_id === $user->id || $write->denied()) {
            return $held->item_id === $item->id && $held->user_id === $user->id ? $write : Response::denyAsNotFound();
        }
        $comes = $item->shelf->memberships->firstWhere('user_id', $held->user_id)?->role->atLeast(Role::Editor) ?? false;

        return $item->shelf->roleOf($user) === Role::Owner && ! $comes ? $write : Response::denyAsNotFound();
    }

    private function atLeast(User $user, Item $item, Role $needed): Response
    {
        $role = $item->shelf->roleOf($user);
        if ($role === null) {
            return Response::denyAsNotFound();
        }

        return $role->atLeast($needed) ? Response::allow() : Response::deny(__("rights.needs_{$needed->value}", ['shelf' => $item->shelf->name]));
    }
}
