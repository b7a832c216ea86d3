<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Item;
use Illuminate\Support\Facades\DB;

/** Stands in for a mail server: what would have been sent is put into the outbox, where people see it. */
final class SendMail
{
    public function handle(?Item $item, string $recipient, string $subject, string $body): void
    {
        DB::table('mails')->insert(['item_id' => $item?->id, 'recipient' => $recipient, 'subject' => $subject, 'body' => $body, 'sent_at' => now()->format('Y-m-d H:i:s')]);
    }
}
