<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Closure;
use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;
use GuzzleHttp\Exception\GuzzleException;
use Illuminate\Console\Command;
use Prism\Calibration\ModelBuilder;
use Prism\Colour\Lab;
use Prism\Exchange\Csv;
use Prism\Exchange\PencilTable;
use Prism\Layering\Step;
use Prism\Layering\ToothModel;
use Prism\Matching\PairLibrary;
use Prism\Matching\Search;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Materials\Paper;
use Prism\Materials\PencilId;

/** Measures, and prints a table. Machines are noisy: compare figures of one run with each other. */
final class BenchCommand extends Command
{
    protected $signature = 'prism:bench {--url= : address of a running studio with the demo, for the figures over HTTP}';

    protected $description = 'Measures predictions, search and live prediction over HTTP';

    /** Twenty-four varied targets: lights, darks, greys, earths, clean and hard ones. */
    private const TARGETS = [
        [62, 20, 45], [30, 40, 20], [25, -2, -10], [80, -15, 5], [50, 0, 0], [93, 1, 6], [40, -20, 20], [55, -10, -30],
        [70, 15, -10], [18, 2, 2], [35, 20, -35], [45, 15, 18], [85, 5, 40], [60, 45, 35], [50, -45, 10], [75, 3, 12],
        [30, 8, 10], [66, -5, -15], [58, 4, -22], [90, -4, 4], [38, 45, -5], [28, -15, -8], [72, 25, 60], [48, -30, -20],
    ];

    private const HTTP_REQUESTS = 300;

    /** Each of the server's workers compiles for itself at first. */
    private const HTTP_WARM_UP = 60;

    /** Deterministic choice of pencils for a kit of a given size. */
    private const SPREAD = 61;

    public function handle(): int
    {
        $jit = opcache_get_status(false);
        $on = is_array($jit) && ($jit['jit']['on'] ?? false);
        $this->line(sprintf('PHP %s, JIT %s', PHP_VERSION, $on ? 'on' : 'off'));
        $pencils = PencilTable::read((string) file_get_contents(database_path('demo/pencils.csv')))->kit;
        $model = ModelBuilder::for(Paper::cartridge())->build($pencils);
        $this->predictions($model, $pencils);
        $this->searches($model, $pencils);
        $this->live();
        $this->line(sprintf('peak memory %d MB', (int) round(memory_get_peak_usage() / 1e6)));

        return self::SUCCESS;
    }

    private function predictions(ToothModel $model, Kit $pencils): void
    {
        $optics = array_map($model->opticsOf(...), $pencils->ids());
        $count = count($optics);
        $rows = [];
        foreach ([1, 2, 4] as $layers) {
            $rows[] = [$layers.' layers, whole stack', self::perSecond(static function (int $i) use ($model, $optics, $count, $layers): void {
                $passage = $model->bare();
                for ($n = 0; $n < $layers; $n++) {
                    $passage = $model->layer($passage, $optics[($i * 7 + $n * 31) % $count], 0.4, 1.0);
                }
                $passage->lab();
            })];
        }
        $base = $model->layer($model->layer($model->bare(), $optics[3], 0.4, 1.0), $optics[50], 0.4, 1.0);
        $rows[] = ['one more layer on a cached prefix', self::perSecond(static function (int $i) use ($model, $optics, $count, $base): void {
            $model->layer($base, $optics[$i % $count], 0.4, 1.0)->lab();
        })];
        $this->table(['predictions', 'per second'], $rows);
    }

    private function searches(ToothModel $model, Kit $pencils): void
    {
        $ids = $pencils->ids();
        $demo = array_map(
            static fn (array $row): string => $row['range'].':'.$row['number'],
            array_values(Csv::parse((string) file_get_contents(database_path('demo/box.csv')), ['range', 'number'])->rows),
        );
        $sixty = array_map(static fn (int $i): string => $ids[($i * self::SPREAD) % count($ids)], range(0, 59));
        $rows = [];
        $details = [];
        foreach (['demo box, 48' => $demo, '60 pencils' => $sixty, '120 pencils' => $ids] as $name => $chosen) {
            $kit = $pencils->only(array_map(PencilId::of(...), $chosen));
            $started = hrtime(true);
            $library = PairLibrary::build($model, $chosen);
            $build = (hrtime(true) - $started) / 1e9;
            $search = new Search($model, $kit, $library);
            $times = $misses = $singles = [];
            // The first round warms up; the second is measured.
            foreach ([false, true] as $measured) {
                foreach (self::TARGETS as [$L, $a, $b]) {
                    $target = Target::colour(Lab::of($L, $a, $b));
                    $started = hrtime(true);
                    $recipes = $search->find($target);
                    $elapsed = (hrtime(true) - $started) / 1e6;
                    if (! $measured) {
                        continue;
                    }
                    $times[] = $elapsed;
                    $misses[] = $recipes[0]->difference->dE00;
                    $singles[] = $search->nearestSingle($target)->difference->dE00;
                    if ($chosen === $demo) {
                        $details[] = [sprintf('%d %d %d', $L, $a, $b), (string) $recipes[0]->stack, sprintf('%.2f', end($misses)), sprintf('%.2f', end($singles)), sprintf('%.0f', $elapsed)];
                    }
                }
            }
            $rows[] = [
                $name, sprintf('%.2f', $build), sprintf('%.0f', self::quantile($times, 0.5)), sprintf('%.0f', self::quantile($times, 0.95)),
                sprintf('%.2f', self::quantile($misses, 0.5)), sprintf('%.2f', self::quantile($misses, 0.9)), sprintf('%.2f', self::quantile($singles, 0.5)),
            ];
        }
        $this->table(['target, demo box', 'first recipe', 'dE00', 'single', 'ms'], $details);
        $this->table(['search, 24 targets', 'library s', 'p50 ms', 'p95 ms', 'dE00 median', 'dE00 p90', 'single median'], $rows);
    }

    /** Live re-prediction as the stack editor asks for it. */
    private function live(): void
    {
        $url = $this->option('url');
        $url = rtrim(is_string($url) && $url !== '' ? $url : (string) config('app.url'), '/');
        $cookies = new CookieJar;
        $client = new Client(['base_uri' => $url, 'cookies' => $cookies, 'timeout' => 10, 'headers' => ['Accept' => 'application/json']]);
        $token = static fn (): array => ['X-XSRF-TOKEN' => rawurldecode((string) $cookies->getCookieByName('XSRF-TOKEN')?->getValue())];
        try {
            $client->get('/api/session');
            $client->post('/api/session/demo', ['headers' => $token()]);
            /** @var list<array{id: string}> $pieces */
            $pieces = json_decode((string) $client->get('/api/pieces')->getBody(), true);
            $id = $pieces[0]['id'] ?? throw new \RuntimeException('The demo studio has no piece.');
            $times = [];
            for ($i = 0; $i < self::HTTP_REQUESTS; $i++) {
                $stack = implode(' > ', [
                    Step::layer(PencilId::of('QW:404'), 20 + $i % 60),
                    Step::layer(PencilId::of('QW:519'), 30 + ($i * 7) % 50, 1 + $i % 3),
                    Step::layer(PencilId::of('LO:7206'), 25 + ($i * 3) % 40),
                ]);
                $started = hrtime(true);
                $client->post("/api/pieces/$id/predictions", ['headers' => $token(), 'json' => ['stack' => $stack, 'L' => 50, 'a' => -10, 'b' => -10]]);
                if ($i >= self::HTTP_WARM_UP) {
                    $times[] = (hrtime(true) - $started) / 1e6;
                }
            }
            $this->table(['live prediction over HTTP', 'p50 ms', 'p95 ms'], [[$url, sprintf('%.0f', self::quantile($times, 0.5)), sprintf('%.0f', self::quantile($times, 0.95))]]);
        } catch (GuzzleException|\RuntimeException) {
            $this->warn("Over HTTP: no studio with the demo answers at $url; start one with bin/start, or name it by --url.");
        }
    }

    /** @param  Closure(int): void  $work */
    private static function perSecond(Closure $work): string
    {
        for ($i = 0; $i < 3000; $i++) {
            $work($i);
        }
        $started = hrtime(true);
        for ($i = 0; hrtime(true) - $started < 700_000_000; $i++) {
            $work($i);
        }

        return number_format($i / ((hrtime(true) - $started) / 1e9));
    }

    /** @param  array<int, float>  $values */
    private static function quantile(array $values, float $share): float
    {
        sort($values);

        return $values[(int) min(count($values) - 1, floor($share * count($values)))];
    }
}
