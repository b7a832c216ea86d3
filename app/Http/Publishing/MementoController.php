<?php

declare(strict_types=1);

namespace App\Http\Publishing;

use App\Http\Controller;
use App\View\Mementos;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The states that were published at an address, as mementos (RFC 7089). */
final class MementoController extends Controller
{
    /** A version as it was published. */
    public function show(Request $request, string $address, string $stamp): Response
    {
        $states = new Mementos(PublishedPage::item($address));
        $publishing = $states->stamped($stamp) ?? abort(404);

        return PublishedPage::answer($request, $states, $publishing, [
            'Memento-Datetime' => Mementos::http($publishing),
            'Link' => $states->links($publishing),
        ]);
    }

    /** A TimeMap (RFC 7089, 5): all of them. */
    public function index(string $address): Response
    {
        $map = (new Mementos(PublishedPage::item($address)))->timeMap();

        return response($map, 200, ['Content-Type' => 'application/link-format', 'Cache-Control' => PublishedPage::CACHED]);
    }
}
