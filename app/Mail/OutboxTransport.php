<?php

declare(strict_types=1);

namespace App\Mail;

use Illuminate\Support\Facades\DB;
use Symfony\Component\Mailer\SentMessage;
use Symfony\Component\Mailer\Transport\AbstractTransport;
use Symfony\Component\Mime\Email;

/** Stands in for a mail server: what would be sent is put where whoever keeps the place, or the form, reads it. */
final class OutboxTransport extends AbstractTransport
{
    protected function doSend(SentMessage $message): void
    {
        $email = $message->getOriginalMessage();
        $item = $email instanceof Email ? $email->getHeaders()->get(Notice::ITEM)?->getBodyAsString() : null;
        foreach ($message->getEnvelope()->getRecipients() as $recipient) {
            DB::table('mails')->insert([
                'item_id' => $item === null ? null : (int) $item,
                'recipient' => $recipient->getAddress(),
                'subject' => $email instanceof Email ? $email->getSubject() : '',
                'body' => $email instanceof Email ? (string) $email->getTextBody() : '',
                'sent_at' => now()->format('Y-m-d H:i:s'),
            ]);
        }
    }

    public function __toString(): string
    {
        return 'outbox://';
    }
}
