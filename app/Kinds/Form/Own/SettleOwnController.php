<?php

declare(strict_types=1);

namespace App\Kinds\Form\Own;

use App\Http\Controller;
use App\Kinds\Form\AnswerDesk;
use App\Models\User;
use App\Saving\SettleHeldEdit;
use App\Store\States;
use Illuminate\Http\Response;
use MistyAttic\Core\Merge\Choice;

/** Who sent the answers says of each that somebody else changed, too, which of the two it is to be. */
final class SettleOwnController extends Controller
{
    public function __invoke(
        SettleAnswersRequest $request,
        string $address,
        string $token,
        AnswerDesk $desk,
        States $states,
        SettleHeldEdit $settle,
    ): Response {
        $own = OwnAnswers::at($desk, $states, $address, $token);
        $choices = $request->validated('choice') ?? [];
        foreach ($own->met() as $held) {
            if (isset($choices[$held->id])) {
                $settle->handle($held->setRelation('item', $own->entry->refresh()), User::visitor(), Choice::from($choices[$held->id]));
            }
        }

        return $own->toSettle() ?? $own->changed();
    }
}
