<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Mail\Notice;
use App\Models\Item;
use Illuminate\Support\Facades\Mail;

/** Sends word to somebody, through whichever mail server the place has; the demo's is an outbox that people can read. */
final class SendMail
{
    public function handle(?Item $item, string $recipient, string $subject, string $body): void
    {
        Mail::to($recipient)->queue(Notice::about($item, $subject, $body));
    }
}
