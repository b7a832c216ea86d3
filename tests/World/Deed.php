<?php

declare(strict_types=1);

namespace Tests\World;

/** What people of the world do. */
enum Deed: string
{
    case Write = 'writes';
    case Send = 'sends';
    case SendUnanswered = 'sends and hears nothing';
    case Hear = 'hears the answer';
    case Look = 'looks for news';
    case Reload = 'opens it anew';
    case Wait = 'waits';
    case Keep = 'keeps a version';
    case Milestone = 'names a milestone';
    case Restore = 'restores';
    case Pick = 'brings back picked lines';
    case PartBack = 'brings back a part';
    case TakeBack = 'takes a restore back';
    case TakeOut = 'takes out edits';
    case CopyOut = 'copies out';
    case Settle = 'settles';
    case Publish = 'publishes';
    case Answer = 'answers the form';
    case EditEntry = 'edits an entry';
    case Rights = 'changes a right';
    case LookBack = 'looks back';
    case Trespass = 'tries the doors';
    case AskForYes = 'wants a yes or none';
    case Decide = 'says yes or no';
    case Rename = 'renames';
    case TakeAway = 'takes an entry away or brings it back';

    case Follow = 'lets a dataset stay, or follow again';

    case Tidy = 'tidies the place';

    case Night = 'sleeps';

    case House = 'keeps house';

    case Picture = 'puts a picture in';

    case Lose = 'deletes an item or brings it back';

    case Thin = 'lets versions go';

    case Pin = 'pins a version';

    case BringDay = 'brings the shelf back to a day';

    case Talk = 'talks';

    case Propose = 'proposes';

    case Respond = 'answers what is proposed';

    case Visit = 'lets a visitor propose';

    case SwitchHistory = 'switches the history of a kind off or on';

    case BringFile = 'brings a file that went out';

    case OwnPage = 'writes on a page of its own';

    case Ways = 'writes numbers and days in another way';

    /** Whether it can be tried on what is in Lost & found: looking, and what is refused there; for all else people bring it back first. */
    public function isTriedOnLost(): bool
    {
        return in_array(
            $this,
            [
                self::Write,
                self::Send,
                self::Keep,
                self::SendUnanswered,
                self::Hear,
                self::Look,
                self::Reload,
                self::LookBack,
                self::Trespass,
                self::Wait,
                self::Tidy,
                self::Night,
                self::Rights,
                self::Lose,
                self::BringDay,
                self::AskForYes,
                self::CopyOut,
                self::Answer,
                self::Talk,
                self::Ways,
            ],
            true,
        );
    }

    /** How often it is done, against the others. */
    public function weight(): int
    {
        return match ($this) {
            self::Write => 40,
            self::Send => 26,
            self::Hear, self::Look => 12,
            self::SendUnanswered => 4,
            self::Wait => 6,
            self::LookBack => 2,
            self::Decide, self::Talk, self::Respond => 3,
            self::Propose => 5,
            self::Trespass,
            self::AskForYes,
            self::Rename,
            self::TakeAway,
            self::Follow,
            self::Tidy,
            self::Lose,
            self::Pin,
            self::SwitchHistory,
            self::Ways => 1,
            self::Reload, self::Answer, self::EditEntry, self::Settle => 3,
            self::OwnPage => 12,
            self::Picture,
            self::Keep,
            self::Milestone,
            self::Restore,
            self::Pick,
            self::PartBack,
            self::TakeBack,
            self::TakeOut,
            self::CopyOut,
            self::Publish,
            self::Rights,
            self::Thin,
            self::Night,
            self::House,
            self::BringDay,
            self::Visit,
            self::BringFile => 2,
        };
    }
}
