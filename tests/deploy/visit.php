<?php

declare(strict_types=1);

/* What a person does in a place that was just installed, by plain requests: php visit.php URL EMAIL PASSWORD [again] */
[, $url, $email, $password] = $argv;
$again = isset($argv[4]);
$jar = tempnam(sys_get_temp_dir(), 'jar') ?: throw new RuntimeException('nowhere to keep a session');
$token = '';

/** @return array{int, string, string} status, body, where to */
$ask = function (string $method, string $path, array|string $sent = []) use ($url, $jar, &$token): array {
    $curl = curl_init(str_starts_with($path, 'http') ? $path : $url.$path);
    curl_setopt_array($curl, [
        CURLOPT_RETURNTRANSFER => true,
        CURLOPT_COOKIEJAR => $jar,
        CURLOPT_COOKIEFILE => $jar,
        CURLOPT_CUSTOMREQUEST => $method ?: 'GET',
        CURLOPT_TIMEOUT => 30,
        CURLOPT_ENCODING => '',
        CURLOPT_HTTPHEADER => [
            'X-CSRF-TOKEN: '.$token,
            ...is_string($sent) ? ['Content-Type: application/json', 'Accept: application/json'] : [],
        ],
    ]);
    if ($method !== 'GET') {
        curl_setopt($curl, CURLOPT_POSTFIELDS, is_string($sent) ? $sent : http_build_query($sent + ['_token' => $token]));
    }
    $body = (string) curl_exec($curl);
    if (preg_match('/name="csrf-token" content="([^"]+)"|name="_token" value="([^"]+)"/', $body, $found) === 1) {
        $token = end($found);
    }
    $answer = [(int) curl_getinfo($curl, CURLINFO_RESPONSE_CODE), $body, (string) curl_getinfo($curl, CURLINFO_REDIRECT_URL)];
    curl_close($curl);

    return $answer;
};
$must = function (bool $is, string $what, array $answer = []): void {
    if (! $is) {
        fwrite(STDERR, "{$what}: ".($answer[0] ?? '').' '.substr(strip_tags((string) ($answer[1] ?? '')), 0, 600)."\n");
        exit(1);
    }
};

$must(($answer = $ask('GET', '/up'))[0] === 200, 'It is not well', $answer);
$ask('GET', '/sign-in');
$must(($answer = $ask('POST', '/sign-in', ['email' => $email, 'password' => $password]))[0] === 302, 'Nobody is let in', $answer);
$must(($answer = $ask('GET', '/'))[0] === 302, 'There is no shelf', $answer);
$shelf = $answer[2];
$must(($answer = $ask('GET', $shelf))[0] === 200 && str_contains($answer[1], 'Office'), 'The shelf does not open', $answer);
if ($again) {
    $must(str_contains($answer[1], 'First page'), 'What was made is wanting', $answer);
    exit(0);
}
$must(($answer = $ask('POST', "{$shelf}/items", ['kind' => 'page', 'title' => 'First page']))[0] === 302, 'Nothing is made', $answer);
$item = $answer[2];
$state = fn (): array => json_decode($ask('GET', "{$item}/state")[1], true);
$save = function (array $content) use ($ask, $item, $state, $must): void {
    $answer = $ask(
        'PUT',
        "{$item}/state",
        (string) json_encode(['base' => $state()['root'], 'client' => 'trial.1', 'keep' => true, 'content' => $content]),
    );
    $must($answer[0] === 200, 'Nothing is saved', $answer);
};
$ask('GET', $item);
$content = $state()['content'];
$text = fn (string $words): array => ['ptrial1', 'rich_text', 2, ['style' => 'plain', 'text' => ['runs' => [[$words]]]]];
$save([...$content, $text('Open on Saturdays')]);
$save([...$content, $text('Closed for good')]);
$number = $state()['number'];
$must(
    ($answer = $ask('POST', "{$item}/versions/".($number - 1).'/restore', ['seen' => $number]))[0] === 302,
    'Nothing is restored',
    $answer,
);
$must(str_contains((string) json_encode($state()['content']), 'Open on Saturdays'), 'The restore is wanting');
$must(($answer = $ask('POST', "{$item}/versions/".($number + 1).'/publish'))[0] === 302, 'Nothing is published', $answer);
$must(($answer = $ask('PUT', "{$item}/public", ['open' => 1]))[0] === 302, 'It is not opened', $answer);
preg_match('~/read/([\w-]+)~', $ask('GET', "{$item}/versions/".($number + 1).'/publish')[1], $found);
$must(
    ($answer = $ask('GET', '/read/'.($found[1] ?? '')))[0] === 200 && str_contains($answer[1], 'Open on Saturdays'),
    'The public reads nothing',
    $answer,
);
$root = $state()['root'];
$news = $ask('GET', "{$item}/live?client=trial&root={$root}");
$shortly = (json_decode($news[1], true)['shortly'] ?? '')."&root={$root}&part=";
$must(($answer = $ask('GET', $shortly))[1] === '{"moved":false}', 'A window that asks shortly is not told that nothing moved', $answer);
$save([...$content, $text('Open on Sundays')]);
$must(($answer = $ask('GET', $shortly))[1] === '{"moved":true}', 'A window that asks shortly is not told that something moved', $answer);
echo "It does what it should.\n";
