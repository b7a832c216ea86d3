<?php

/*
 * Twenty people who save without a pause, through nginx and PHP-FPM as a place runs them: each in a document of their own, all in one, and
 * the same requests with nothing in them to write. It wants php-fpm8.2 and nginx, and takes a minute.
 *
 *   php bench/writers.php [SECONDS] [PORT]
 */

declare(strict_types=1);

use App\Making\MakeItem;
use App\Models\Role;
use App\Models\User;
use Illuminate\Support\Facades\Hash;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Kinds\Document\DocumentKind;

require __DIR__.'/boot.php';

final class Writers
{
    private const PEOPLE = 20;

    private string $at;

    private string $folder;

    /** @var list<resource> */
    private array $processes = [];

    /** @var list<array{cookies: string, token: string}> */
    private array $people = [];

    public function __construct(private readonly string $database, private readonly int $seconds, private readonly int $port)
    {
        $this->at = "http://127.0.0.1:{$port}";
        $this->folder = "{$database}.run";
        mkdir($this->folder, 0o700);
    }

    /** @param list<string> $keys of documents, one a person */
    public function run(array $keys): void
    {
        $this->serve();
        foreach (range(1, self::PEOPLE) as $person) {
            $this->people[] = $this->signIn("person{$person}@example.org");
        }
        foreach (
            [
                'nothing to write, one each' => [$keys, false],
                'one each' => [$keys, true],
                'all in one' => [array_fill(0, self::PEOPLE, $keys[0]), true],
                'reading, alone' => [$keys, null],
            ] as $name => [$of, $writes]
        ) {
            $this->measure($name, $of, $writes);
        }
        $this->measure('one each, and as many who read', $keys, true, readers: true);
    }

    public function stop(): void
    {
        foreach ($this->processes as $process) {
            proc_terminate($process, SIGTERM);
            proc_close($process);
        }
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    private function serve(): void
    {
        $folder = $this->folder;
        $root = dirname(__DIR__);
        $environment = [
            'DB_DATABASE' => $this->database,
            'APP_CONFIG_CACHE' => "{$folder}/config.php",
            'APP_ROUTES_CACHE' => "{$folder}/routes.php",
            'APP_URL' => $this->at,
            'APP_ENV' => 'production',
            'APP_DEBUG' => 'false',
            'SESSION_DRIVER' => 'file',
        ] + getenv();
        foreach (['config:cache', 'route:cache'] as $command) {
            proc_close(
                proc_open([PHP_BINARY, "{$root}/artisan", $command], [1 => ['file', '/dev/null', 'w']], $pipes, $root, $environment),
            );
        }
        file_put_contents("{$folder}/fpm.conf", <<<CONF
            [global]
            error_log={$folder}/fpm.log
            daemonize=no
            [a]
            listen={$folder}/socket
            pm=static
            pm.max_children=8
            clear_env=no
            php_admin_value[memory_limit]=512M
            php_admin_value[zend.enable_gc]=0
            php_admin_value[opcache.enable]=1
            php_admin_value[opcache.memory_consumption]=128
            php_admin_value[opcache.max_accelerated_files]=20000
            php_admin_value[opcache.validate_timestamps]=0
            CONF);
        file_put_contents("{$folder}/nginx.conf", <<<CONF
            user root; pid {$folder}/nginx.pid; error_log {$folder}/nginx.log; daemon off; worker_processes 1;
            events {}
            http { access_log off; client_body_temp_path {$folder}/b; fastcgi_temp_path {$folder}/f; proxy_temp_path {$folder}/p; uwsgi_temp_path {$folder}/u; scgi_temp_path {$folder}/s;
                server { listen 127.0.0.1:{$this->port}; root {$root}/public; location / { try_files \$uri /index.php?\$query_string; }
                    location ~ ^/(index|live)\\.php\$ { include /etc/nginx/fastcgi_params; fastcgi_param SCRIPT_FILENAME \$realpath_root\$fastcgi_script_name; fastcgi_pass unix:{$folder}/socket; } } }
            CONF);
        $quiet = [1 => ['file', "{$folder}/out", 'a'], 2 => ['file', "{$folder}/out", 'a']];
        $this->processes[] = proc_open(['php-fpm8.2', '-y', "{$folder}/fpm.conf", '-R'], $quiet, $pipes, $root, $environment)
        ?: throw new RuntimeException('PHP-FPM did not start');
        $this->processes[]
            = proc_open(['nginx', '-c', "{$folder}/nginx.conf"], $quiet, $pipes, $root) ?: throw new RuntimeException('nginx did not start');
        for ($tries = 0; $this->ask("{$this->folder}/none", '/sign-in')[0] !== 200; $tries++) {
            $tries < 50 || throw new RuntimeException('Nothing answers: '.file_get_contents("{$folder}/out"));
            usleep(100_000);
        }
    }

    /** @return array{cookies: string, token: string} */
    private function signIn(string $email): array
    {
        $cookies = "{$this->folder}/{$email}";
        preg_match('/name="_token" value="([^"]+)"/', $this->ask($cookies, '/sign-in')[1], $token);
        [$code, $page] = $this->ask($cookies, '/sign-in', [
            '_token' => $token[1],
            'email' => $email,
            'password' => 'a word of many letters',
        ]);
        preg_match('/XSRF-TOKEN\t(\S+)/', (string) file_get_contents($cookies), $cross);
        ($code === 200 && isset($cross[1]))
            || throw new RuntimeException("{$email} does not get in: {$code} ".substr(strip_tags($page), 0, 300));

        return ['cookies' => $cookies, 'token' => urldecode($cross[1])];
    }

    /**
     * @param  array<string, string>|null  $post
     * @return array{int, string}
     */
    private function ask(string $cookies, string $path, ?array $post = null): array
    {
        $curl = curl_init($this->at.$path);
        curl_setopt_array(
            $curl,
            [
                CURLOPT_RETURNTRANSFER => true,
                CURLOPT_COOKIEJAR => $cookies,
                CURLOPT_COOKIEFILE => $cookies,
                CURLOPT_FOLLOWLOCATION => true,
            ] + ($post === null ? [] : [CURLOPT_POSTFIELDS => http_build_query($post)]),
        );
        $body = (string) curl_exec($curl);
        $code = curl_getinfo($curl, CURLINFO_HTTP_CODE);
        unset($curl);

        return [$code, $body];
    }

    /**
     * @param  list<string>  $keys
     * @param  bool|null  $writes  null: the history is read
     */
    private function measure(string $name, array $keys, ?bool $writes, bool $readers = false): void
    {
        $states = [];
        foreach ($keys as $i => $key) {
            $states[] = (array) json_decode($this->ask($this->people[$i]['cookies'], "/items/{$key}/state")[1], true) + [
                'key' => $key,
                'count' => 0,
                'window' => 'w'.bin2hex(random_bytes(4)),
                'writes' => $writes,
            ];
        }
        foreach ($readers ? $keys : [] as $key) {
            $states[] = ['key' => $key, 'count' => 0, 'writes' => null];
        }
        $multi = curl_multi_init();
        $handles = [];
        $begin = function (int $i) use (&$states, &$handles, $multi): void {
            $state = &$states[$i];
            $person = $this->people[$i % self::PEOPLE];
            $options = [
                CURLOPT_RETURNTRANSFER => true,
                CURLOPT_COOKIEFILE => $person['cookies'],
                CURLOPT_HTTPHEADER => ['Accept: application/json', 'Content-Type: application/json', "X-XSRF-TOKEN: {$person['token']}"],
            ];
            if ($state['writes'] === null) {
                $curl = curl_init("{$this->at}/items/{$state['key']}/history");
            } else {
                if ($state['writes']) {
                    $state['content'][$i * 3 + $state['count'] % 3][3]['text'] = ['runs' => [['Lamp, lead and socket '.$state['count']++]]];
                }
                $curl = curl_init("{$this->at}/items/{$state['key']}/state");
                $state['number'] = ($state['number'] ?? 0) + 1;
                $options += [
                    CURLOPT_CUSTOMREQUEST => 'PUT',
                    CURLOPT_POSTFIELDS => json_encode(
                        ['base' => $state['root'], 'client' => "{$state['window']}.{$state['number']}", 'content' => $state['content']],
                        JSON_THROW_ON_ERROR,
                    ),
                ];
            }
            curl_setopt_array($curl, $options);
            $handles[(int) spl_object_id($curl)] = [$i, hrtime(true), $curl];
            curl_multi_add_handle($multi, $curl);
        };
        array_map($begin, array_keys($states));
        [$times, $codes, $did] = [['w' => [], 'r' => []], [], array_fill(0, count($keys), 0)];
        $from = hrtime(true);
        while (hrtime(true) < $from + $this->seconds * 1e9) {
            curl_multi_exec($multi, $running);
            while ($done = curl_multi_info_read($multi)) {
                [$i, $began, $curl] = $handles[spl_object_id($done['handle'])];
                unset($handles[spl_object_id($curl)]);
                $code = curl_getinfo($curl, CURLINFO_HTTP_CODE);
                $answer = $states[$i]['writes'] === null ? [] : (array) json_decode((string) curl_multi_getcontent($curl), true);
                curl_multi_remove_handle($multi, $curl);
                $codes[$code] = ($codes[$code] ?? 0) + 1;
                $times[$i < count($keys) ? 'w' : 'r'][] = (hrtime(true) - $began) / 1e6;
                $i < count($keys) && $did[$i]++;
                if ($code === 200 && isset($answer['root'])) {
                    $states[$i] = ['root' => $answer['root'], 'content' => $answer['content'] ?? $states[$i]['content']] + $states[$i];
                }
                $begin($i);
            }
            curl_multi_select($multi, 0.05);
        }
        foreach (array_filter($times) as $who => $of) {
            sort($of);
            printf(
                '%-34s %6.1f a second, median %4.0f ms, p95 %4.0f, longest %4.0f',
                $who === 'r' ? '   those who read' : $name,
                count($of) / $this->seconds,
                $of[intdiv(count($of), 2)],
                $of[(int) (count($of) * 0.95)],
                end($of),
            );
            echo $who === 'r' ? "\n" : sprintf("; from %d to %d a person; %s\n", min($did), max($did), json_encode($codes));
        }
    }
}

$people = User::factory()
    ->count(20)
    ->sequence(
        fn ($sequence) => [
            'email' => 'person'.($sequence->index + 1).'@example.org',
            'password' => Hash::make('a word of many letters'),
        ],
    )
    ->create();
foreach ($people as $person) {
    $shelf->memberships()->create(['user_id' => $person->id, 'role' => Role::Editor]);
}
$keys = array_map(
    fn (int $of) => $app
        ->make(MakeItem::class)
        ->handle(
            $shelf,
            $user,
            'document',
            "Document {$of}",
            content: new Content(
                new DocumentKind,
                PartTree::of(
                    array_map(
                        fn (int $at) => new Part(sprintf('par%05d', $at), 'paragraph', 0, [
                            'text' => RichText::plain(
                                "Paragraph {$at} says what is to be done with the lamp, the lead and the socket before anybody opens.",
                            ),
                        ]),
                        range(1, 100),
                    ),
                ),
            ),
        )->key,
    range(1, 20),
);
$arguments = array_values(array_filter(array_slice($argv, 1), is_numeric(...)));
$writers = new Writers($database, (int) ($arguments[0] ?? 10), (int) ($arguments[1] ?? 8392));
try {
    $writers->run($keys);
} finally {
    $writers->stop();
}
