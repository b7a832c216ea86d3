<p class="part-text">{{ App\Words\Days::said(MistyAttic\Core\Kinds\Entry\AnswerText::of($part)) }}</p>
