<?php

declare(strict_types=1);

namespace App\Mail;

use App\Models\Item;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;
use Illuminate\Mail\Mailables\Headers;

/** Word to one person, in plain text, sent once what it tells of is written. */
final class Notice extends Mailable implements ShouldQueue
{
    use Queueable;

    /** Names the item that it is about to the outbox; other mail servers are not told. */
    public const ITEM = 'X-Attic-Item';

    public int $tries = 5;

    public int $backoff = 60;

    public function __construct(private readonly ?int $item, private readonly string $about, private readonly string $body)
    {
        $this->afterCommit();
    }

    public static function about(?Item $item, string $subject, string $body): self
    {
        return new self($item?->id, $subject, $body);
    }

    public function envelope(): Envelope
    {
        return new Envelope(subject: $this->about);
    }

    public function content(): Content
    {
        return new Content(text: 'mail', with: ['body' => $this->body]);
    }

    public function headers(): Headers
    {
        return new Headers(text: $this->item === null || config('mail.default') !== 'outbox' ? [] : [self::ITEM => (string) $this->item]);
    }
}
