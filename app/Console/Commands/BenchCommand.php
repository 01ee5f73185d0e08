<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\Bench\AblationFigures;
use App\Console\Bench\BoxFigures;
use App\Console\Bench\CardFigures;
use App\Console\Bench\Clock;
use App\Console\Bench\CorrectionFigures;
use App\Console\Bench\CraftFigures;
use App\Console\Bench\HostileFigures;
use App\Console\Bench\KernelFigures;
use App\Console\Bench\LookFigures;
use App\Console\Bench\PlanFigures;
use App\Console\Bench\ReplanFigures;
use App\Console\Bench\ReviewDesk;
use App\Console\Bench\ReviewFigures;
use App\Console\Bench\ReviewRounds;
use App\Console\Bench\ReviewWork;
use App\Console\Bench\SearchFigures;
use App\Console\Bench\StudioFigures;
use App\Studio\Photos\PhotoReader;
use App\Studio\Swatches\SwatchReader;
use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;
use GuzzleHttp\Exception\GuzzleException;
use Illuminate\Console\Command;
use Prism\Calibration\Calibrator;
use Prism\Calibration\Swatch;
use Prism\Exchange\Csv;
use Prism\Exchange\PencilTable;
use Prism\Exchange\SwatchTable;
use Prism\Exchange\TargetTable;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Materials\Kit;
use Prism\Materials\Paper;
use Prism\Materials\PencilId;
use Symfony\Component\Process\PhpExecutableFinder;
use Symfony\Component\Process\Process;

/** Measures, and prints tables. Machines are noisy: compare figures of one run with each other. */
final class BenchCommand extends Command
{
    protected $signature = 'prism:bench {--url= : address of a running studio with the demo, for the figures over HTTP}
        {--studio= : folder with pencils.csv, train.csv, heldout.csv and targets.csv of a studio to calibrate on}
        {--only= : predictions, search, look, plan, craft, correct, replan, review, box, card, hostile, studio, http, or ablation}';

    protected $description = 'Measures predictions, search, palettes, the box and its charts, calibration and live prediction over HTTP';

    private const HTTP_REQUESTS = 300;

    /** Each of the server's workers compiles for itself at first. */
    private const HTTP_WARM_UP = 120;

    private const ZONES = 24;

    private const DEMO_PAPER = 'harbour-cartridge';

    /** Reachable targets for the demo box: what some stacks of it, never swatched, came out as. */
    private const DRAWN_TARGETS = 40;

    public function handle(SwatchReader $reader, PhotoReader $photos): int
    {
        $only = $this->option('only');
        $wanted = static fn (string $part): bool => ! is_string($only) || $only === $part;
        $jit = opcache_get_status(false);
        $on = is_array($jit) && ($jit['jit']['on'] ?? false);
        $pencils = PencilTable::read((string) file_get_contents(database_path('demo/pencils.csv')))->kit;
        $predictor = Calibrator::fit($pencils, [])->predictor(Paper::cartridge());
        if ($wanted('predictions')) {
            $this->table([sprintf('predictions, PHP %s, JIT %s', PHP_VERSION, $on ? 'on' : 'off'), 'per second'], KernelFigures::rows($predictor->model));
            if ($on) {
                $this->withoutJit();
            }
        }
        if ($wanted('search')) {
            $search = new SearchFigures($predictor, $pencils);
            $this->table(['search, 24 targets', 'library s', 'p50 ms', 'p95 ms', 'dE00 median', 'dE00 p90', 'single median', 'sensitivity'], $search->latency([48, 60, 120]));
            $this->table(['stacks enumerated', 'gap mean', 'p95', 'largest'], [$search->gap()]);
            $this->table(['palette, 24 targets', 'mean dE00', 'seconds'], $search->palettes());
        }
        if ($wanted('look')) {
            $this->table(['reference', 'true parts', self::ZONES.' zones by', 'boundary recall', 'precision', 'under-segmentation', 'need no touch'], LookFigures::zones($photos, self::ZONES, [...LookFigures::PHOTOS, ...LookFigures::HELD_OUT]));
            $this->table(['reference', 'light from, degrees', 'estimate', 'off by', 'agreement'], LookFigures::light($photos));
            $this->table(['reference, '.self::ZONES.' zones', 'with a light side', 'lit / half / shadow in truth', 'told rightly', 'the opposite'], LookFigures::lights($photos, self::ZONES));
            $this->table(['megapixels', 'decode s', 'read s', 'zones and colours s', 'in all s', 'slider ms, most'], LookFigures::times($photos));
        }
        if ($wanted('plan')) {
            $this->table(['reference, 24 zones', 'colours', 'dE00, 12 pencils', 'whole box', 'stacks + palettes s', 'as built', 'turns, steps', 'order s', 'minutes', 'drawing s', 'value error L*'], PlanFigures::rows($photos, $predictor, $pencils->only(self::demoBox())));
        }
        if ($wanted('craft')) {
            $this->craft($photos, $predictor, $pencils->only(self::demoBox()));
        }
        if ($wanted('box')) {
            $owned = array_map(strval(...), self::demoBox());
            $this->table(['pencils', 'walk ms', 'mean step', 'nearest ms'], BoxFigures::catalogue());
            $this->table(['owned', 'colours', 'ms', 'others', 'next three ms', 'next three', 'partners ms'], [BoxFigures::advice($predictor, $pencils, $owned)]);
            $this->table(['chart fields', 'read ms', 'dE00 median', 'p90', 'doubtful'], [BoxFigures::chart($reader, self::DEMO_PAPER, Paper::cartridge()->colour, $owned)]);
        }
        if ($wanted('card')) {
            $card = new CardFigures($reader, self::DEMO_PAPER, Paper::cartridge()->colour);
            $this->table(CardFigures::READ_COLUMNS, $card->readings());
            $this->table(CardFigures::PREDICTED_COLUMNS, $card->predictions());
        }
        if ($wanted('studio')) {
            $this->studio();
            $this->demoStudio($pencils, $reader);
        }
        if ($wanted('correct')) {
            $kit = $pencils->only(self::demoBox());
            $swatches = SwatchTable::read((string) file_get_contents(database_path('demo/swatches.csv')), $kit);
            $this->table(['mishap, drawn and corrected', 'places', 'dE00 before', 'after', 'made worse', 'left alone'], (new CorrectionFigures($kit, $swatches, $reader, self::DEMO_PAPER))->rows());
        }
        if ($wanted('review')) {
            $kit = $pencils->only(self::demoBox());
            $swatches = SwatchTable::read((string) file_get_contents(database_path('demo/swatches.csv')), $kit);
            $desk = new ReviewDesk($kit, $swatches, $reader, $photos, self::DEMO_PAPER);
            $figures = new ReviewFigures($desk);
            $this->table(ReviewFigures::COLUMNS, $figures->rows(['harbour', 'lantern', 'jugs']));
            $this->table(ReviewFigures::LARGE_COLUMNS, $figures->large);
            $this->table(ReviewFigures::PREVIEW_COLUMNS, $figures->previews);
            $this->table(ReviewWork::COLUMNS, (new ReviewWork($desk, $figures->pictures))->rows());
            $rounds = new ReviewRounds($desk, $figures->pictures);
            $this->table(ReviewRounds::COLUMNS, $rounds->rounds());
            $this->table(ReviewRounds::HAND_COLUMNS, $rounds->hands());
        }
        if ($wanted('hostile')) {
            $swatches = SwatchTable::read((string) file_get_contents(database_path('demo/swatches.csv')), $pencils);
            $hostile = new HostileFigures($pencils, $swatches, $photos);
            $this->table(HostileFigures::COLUMNS, $hostile->rows());
            array_map($this->line(...), $this->output->isVerbose() ? $hostile->said : []);
            array_map($this->error(...), $hostile->broken);
        }
        if ($wanted('replan')) {
            $kit = $pencils->only(self::demoBox());
            $swatches = SwatchTable::read((string) file_get_contents(database_path('demo/swatches.csv')), $kit);
            $this->table(['a step laid otherwise', 'colours', 'planned anew', 'dE00 as planned', 'gone on with', 'planned anew', 'made worse'], (new ReplanFigures($kit, $swatches, $reader, self::DEMO_PAPER))->rows());
        }
        if ($wanted('http')) {
            $this->live();
        }
        // Only when asked for: it fits the studio over and over.
        if ($only === 'ablation') {
            $this->ablation();
        }
        $this->line(sprintf('peak memory %d MB', (int) round(memory_get_peak_usage() / 1e6)));

        return self::SUCCESS;
    }

    /** The same predictions in a process of their own. */
    private function withoutJit(): void
    {
        $process = new Process([(new PhpExecutableFinder)->find(false) ?: PHP_BINARY, '-d', 'opcache.jit=disable', base_path('artisan'), 'prism:bench', '--only=predictions'], base_path());
        $process->run();
        $this->output->write($process->getOutput());
    }

    /** A studio given as files, as drawn by a process that the engine does not know. */
    private function studio(): void
    {
        $folder = $this->folder();
        if ($folder === null) {
            return;
        }
        [$kit, $train, $held] = self::studioIn($folder);
        $figures = new StudioFigures($kit, $train);
        $this->calibrated('studio of '.basename($folder), $figures, $held);
        $targets = ['r' => [], 'c' => []];
        foreach (TargetTable::read((string) file_get_contents("$folder/targets.csv")) as $id => $lab) {
            $targets[$id[0]][] = $lab;
        }
        $paper = $figures->calibration->yardstick ?? 'medium';
        $this->table(['matches of '.basename($folder), 'targets', 'predicted', 'drawn', 'single drawn'], [
            $figures->matches('reachable', $targets['r'], $paper),
            $figures->matches('chart', $targets['c'], $paper),
        ]);
    }

    private function ablation(): void
    {
        $folder = $this->folder();
        if ($folder !== null) {
            $this->table(['without', 'dE00 median', 'mean', 'p90', '|dL| median', 'others median', 'p90'], AblationFigures::rows(...self::studioIn($folder)));
        }
    }

    private function folder(): ?string
    {
        $folder = $this->option('studio');
        $folder = is_string($folder) && $folder !== '' ? $folder : base_path('../shared/data/dev');
        foreach (['pencils', 'train', 'heldout', 'targets'] as $name) {
            if (! is_file("$folder/$name.csv")) {
                $this->warn("No studio: $folder has no $name.csv; name a folder by --studio.");

                return null;
            }
        }

        return $folder;
    }

    /** @return array{Kit, list<Swatch>, list<Swatch>} pencils, swatches, and what was held out */
    private static function studioIn(string $folder): array
    {
        $read = static fn (string $name): string => (string) file_get_contents("$folder/$name.csv");
        $kit = PencilTable::read($read('pencils'))->kit;

        return [$kit, SwatchTable::read($read('train'), $kit), SwatchTable::read($read('heldout'), $kit)];
    }

    /** The demo studio, whose swatches and whose drawing of the matches are simulated. */
    private function demoStudio(Kit $pencils, SwatchReader $reader): void
    {
        $ids = self::demoBox();
        $kit = $pencils->only($ids);
        $figures = new StudioFigures($kit, SwatchTable::read((string) file_get_contents(database_path('demo/swatches.csv')), $kit));
        $this->calibrated('demo studio', $figures, []);
        $targets = [];
        for ($i = 0; $i < self::DRAWN_TARGETS; $i++) {
            $pick = static fn (int $n): PencilId => $ids[($i * 13 + $n * 29) % count($ids)];
            $stack = Stack::of(Step::layer($pick(0), 35 + ($i * 7) % 30, 1 + $i % 2), Step::layer($pick(1), 30 + ($i * 11) % 35), ...($i % 3 === 0 ? [Step::layer($pick(2), 40)] : []));
            $targets[] = $reader->read(self::DEMO_PAPER, $stack, "target $i");
        }
        $this->table(['matches, demo studio', 'targets', 'predicted', 'drawn', 'single drawn'], [$figures->matches('reachable', $targets, self::DEMO_PAPER, $reader)]);
    }

    /** @return list<PencilId> */
    private static function demoBox(): array
    {
        return array_map(
            static fn (array $row): PencilId => PencilId::of($row['range'].':'.$row['number']),
            array_values(Csv::parse((string) file_get_contents(database_path('demo/box.csv')), ['range', 'number'])->rows),
        );
    }

    /** Whether what is proposed is what an artist would lay. */
    private function craft(PhotoReader $photos, Predictor $predictor, Kit $box): void
    {
        $figures = new CraftFigures($predictor, $box);
        $rows = array_map(static fn (string $name): array => $figures->picture($photos, $name), [...LookFigures::PHOTOS, ...LookFigures::HELD_OUT]);
        $folder = $this->folder();
        if ($folder !== null) {
            [$kit, $train] = self::studioIn($folder);
            $calibration = Calibrator::fit($kit, $train);
            $studio = new CraftFigures($calibration->predictor(Paper::cartridge((string) $calibration->yardstick)), $kit);
            $colours = array_values(TargetTable::read((string) file_get_contents("$folder/targets.csv")));
            $rows[] = $studio->colours(basename($folder), $colours);
            $this->line('first recipes with a warning that another within 1 dE00 does not carry: '.$studio->avoidableWarnings($colours));
        }
        $this->table(['default schools', ...CraftFigures::columns()], $rows);
    }

    /** @param  list<Swatch>  $held */
    private function calibrated(string $name, StudioFigures $figures, array $held): void
    {
        $this->table(["calibration, $name", 'seconds', 'refit of ten', 'dE00 before', 'after', 'suspicious'], [$figures->calibrationRow($held)]);
        if ($held !== []) {
            $this->table(["held out, $name", 'stacks', 'dE00 median', 'mean', 'p90', '|dL| median', 'within sigma'], $figures->heldOut($held));
        }
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
                    Step::layer(PencilId::of('QW:6858'), 20 + $i % 60),
                    Step::layer(PencilId::of('QW:2794'), 30 + ($i * 7) % 50, 1 + $i % 3),
                    Step::layer(PencilId::of('LO:3512'), 25 + ($i * 3) % 40),
                ]);
                $started = hrtime(true);
                $client->post("/api/pieces/$id/predictions", ['headers' => $token(), 'json' => ['stack' => $stack, 'L' => 50, 'a' => -10, 'b' => -10]]);
                if ($i >= self::HTTP_WARM_UP) {
                    $times[] = (hrtime(true) - $started) / 1e6;
                }
            }
            $this->table(['live prediction over HTTP', 'p50 ms', 'p95 ms'], [[$url, sprintf('%.0f', Clock::quantile($times, 0.5)), sprintf('%.0f', Clock::quantile($times, 0.95))]]);
        } catch (GuzzleException|\RuntimeException) {
            $this->warn("Over HTTP: no studio with the demo answers at $url; start one with bin/start, or name it by --url.");
        }
    }
}
