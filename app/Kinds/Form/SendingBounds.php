<?php

declare(strict_types=1);

namespace App\Kinds\Form;

use App\Models\Item;
use Illuminate\Support\Facades\RateLimiter;

/** How much outsiders may make a place do: sendings, bytes and mails, by form and by where they come from, a day. */
final class SendingBounds
{
    private const DAY = 86_400;

    /** Sendings a day from one network address to one form, and from all to one form. */
    private const FROM_ONE = 300;

    private const TO_FORM = 5_000;

    /** Bytes of files a day, likewise. */
    private const BYTES_FROM_ONE = 100_000_000;

    private const BYTES_TO_FORM = 2_000_000_000;

    /** Mails a day to one address, whatever the form, and of one form. */
    private const MAILS_TO_ONE = 3;

    private const MAILS_OF_FORM = 1_000;

    public function mayFile(Item $form, string $from, int $bytes): bool
    {
        return $this->takes("file:{$form->id}:{$from}", self::BYTES_FROM_ONE, $bytes)
            && $this->takes("file:{$form->id}", self::BYTES_TO_FORM, $bytes);
    }

    public function maySend(Item $form, string $from): bool
    {
        return $this->takes("send:{$form->id}:{$from}", self::FROM_ONE) && $this->takes("send:{$form->id}", self::TO_FORM);
    }

    public function mayMail(Item $form, string $to): bool
    {
        return $this->takes('mail:'.sha1(mb_strtolower($to)), self::MAILS_TO_ONE)
            && $this->takes("mail-of:{$form->id}", self::MAILS_OF_FORM);
    }

    private function takes(string $key, int $most, int $amount = 1): bool
    {
        if ((int) RateLimiter::attempts($key) + $amount > $most) {
            return false;
        }
        RateLimiter::increment($key, self::DAY, $amount);

        return true;
    }
}
