<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Upkeep;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Accounts\Role;
use NimbleKnuckle\App\Fits\EventLog;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Kernel;
use NimbleKnuckle\App\Kit\KitReader;
use NimbleKnuckle\App\Procedures\ProcedureShelf;
use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Helper\Table;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Session\Session;
use Symfony\Component\HttpFoundation\Session\Storage\MockArraySessionStorage;
use Symfony\Component\Security\Http\Authenticator\Token\PostAuthenticationToken;

/**
 * Times the server side of each main view: a fresh kernel a request, signed in, alternating with the bare route, so that
 * the machine's mood falls on both. Medians of wall and of process time, and their ratios to the bare route.
 */
#[AsCommand('app:bench', 'Time the main views and the compile against a bare route, in one run.')]
final class BenchCommand
{
    /** Vehicle and procedure of the fits that are planned to be timed. */
    private const JOBS = [
        ['veldra-tarn-20t', 'thermostat-under'], ['ostrel-vane-s6', 'serpentine-belt'], ['corrin-drover-27d', 'water-pump'],
    ];

    public function __construct(
        private readonly Connection $db,
        private readonly EntityManagerInterface $em,
        private readonly Garage $garage,
        private readonly ProcedureShelf $shelf,
        private readonly KitReader $kit,
        private readonly EventLog $log,
        #[Autowire(param: 'kernel.environment')] private readonly string $environment,
        #[Autowire(param: 'kernel.debug')] private readonly bool $debug,
    ) {
    }

    public function __invoke(OutputInterface $output, #[Option('Requests a view')] string $rounds = '60'): int
    {
        $times = filter_var($rounds, \FILTER_VALIDATE_INT, ['options' => ['min_range' => 3, 'max_range' => 5000]]);
        $person = $this->em->getRepository(AccountRecord::class)->findOneBy(['role' => Role::Lead]);
        $fit = $this->db->fetchOne("SELECT id FROM fit WHERE status = 'in-hand' ORDER BY created_at DESC LIMIT 1");
        if (false === $times || null === $person || !is_string($fit)) {
            $output->writeln('<error>Load the demo first (bin/console demo:load); --rounds is 3 to 5000.</error>');

            return 2;
        }
        $fits = $this->db->fetchOne('SELECT COUNT(*) FROM fit');
        $output->writeln(
            sprintf(
                '%s fits in the database, %d rounds, environment %s.', is_scalar($fits) ? (string) $fits : '?', $times,
                $this->environment,
            ),
        );
        $table = (new Table($output))->setHeaders(['view', 'wall ms', 'bare ms', 'ratio', 'cpu ms', 'bare cpu', 'cpu ratio', 'bytes']);
        foreach ($this->views($fit) as $name => $path) {
            $table->addRow([$name, ...$this->measured($path, $person, $times)]);
        }
        $table->render();
        foreach ($this->compiles($times) as $name => [$ms, $steps]) {
            $output->writeln(sprintf('compile %s: %.2f ms for %d steps (median of %d, after warm-up)', $name, $ms, $steps, $times));
        }
        $output->writeln(sprintf('peak memory %.1f MB', memory_get_peak_usage(true) / 1048576));

        return 0;
    }

    /** @return array<string, string> */
    private function views(string $fit): array
    {
        return [
            'yard' => '/', 'fits' => '/fits', 'fit sheet' => '/fits/'.$fit, 'bench' => '/fits/'.$fit.'/bench',
            'loose ends' => '/fits/'.$fit.'/loose-ends',
            'pulse' => '/fits/'.$fit.'/pulse?since=-1',
            'pulse, nothing new' => '/fits/'.$fit.'/pulse?since='.$this->log->version($fit),
            'vehicle' => '/vehicles/veldra-tarn-20t',
            'start a fit' => '/start?vehicle=veldra-tarn-20t&procedure=thermostat-under',
            'sums' => '/sums', 'a sum' => '/sums/torque-check', 'kit' => '/kit', 'logbook' => '/logbook', 'jump' => '/jump?q=tarn',
        ];
    }

    /** @return list<string> */
    private function measured(string $path, AccountRecord $person, int $rounds): array
    {
        $_SERVER['APP_BENCH'] = '1';
        $this->request($path, $person);
        $this->request('/bare', null);
        $wall = $cpu = $bareWall = $bareCpu = [];
        $bytes = 0;
        for ($i = 0; $i < $rounds; ++$i) {
            [$wall[], $cpu[], $bytes] = $this->request($path, $person);
            [$bareWall[], $bareCpu[]] = $this->request('/bare', null);
        }
        [$w, $bw, $c, $bc] = array_map(self::median(...), [$wall, $bareWall, $cpu, $bareCpu]);

        return [
            sprintf('%.2f', $w), sprintf('%.2f', $bw), sprintf('%.1f', $w / $bw), sprintf('%.2f', $c), sprintf('%.2f', $bc),
            sprintf('%.1f', $c / max(0.001, $bc)), (string) $bytes,
        ];
    }

    /** @return array{float, float, int} wall ms, process ms, bytes of the answer */
    private function request(string $path, ?AccountRecord $person): array
    {
        $request = Request::create($path, server: ['HTTP_ACCEPT' => 'text/html']);
        $session = new Session(new MockArraySessionStorage());
        if (null !== $person) {
            $session->set('_security_main', serialize(new PostAuthenticationToken($person, 'main', $person->getRoles())));
            $request->cookies->set($session->getName(), 'bench');
        }
        $request->setSession($session);
        gc_collect_cycles();
        $cpu = self::cpu();
        $start = hrtime(true);
        $kernel = new Kernel($this->environment, $this->debug);
        $response = $kernel->handle($request);
        $content = (string) $response->getContent();
        $kernel->terminate($request, $response);
        $wall = (hrtime(true) - $start) / 1e6;
        $used = self::cpu() - $cpu;
        $kernel->shutdown();
        $response->isSuccessful() || throw new \RuntimeException(sprintf('%s answered %d.', $path, $response->getStatusCode()));

        return [$wall, $used, strlen($content)];
    }

    /** @return array<string, array{float, int}> */
    private function compiles(int $rounds): array
    {
        $times = [];
        foreach (self::JOBS as [$vehicleId, $procedureId]) {
            $times[$procedureId] = $this->compiled($procedureId, $this->garage->get($vehicleId)->sheet(), $rounds);
        }

        return $times + ['and lint of a large sheet' => $this->compiled('thermostat-under', $this->large(), $rounds)];
    }

    /** @return array{float, int} process ms, and how many steps it has */
    private function compiled(string $procedureId, VehicleSheet $vehicle, int $rounds): array
    {
        $procedure = $this->shelf->procedure($procedureId) ?? throw new \LogicException('The shipped procedures are there.');
        $compiler = new Compiler($this->shelf->common());
        $kit = $this->kit->kit();
        $taken = [];
        $sheet = $compiler->compile([$procedure], new Choices([]), $vehicle, $kit);
        for ($i = -3; $i < $rounds; ++$i) {
            $start = self::cpu();
            $sheet = $compiler->compile([$procedure], new Choices([]), $vehicle, $kit);
            $taken[] = self::cpu() - $start;
        }

        return [self::median(array_slice($taken, 3)), count($sheet->steps)];
    }

    /** The Tarn with 130 more items in front of its under-pan, three deep. */
    private function large(): VehicleSheet
    {
        $document = $this->garage->get('veldra-tarn-20t')->document;
        $items = is_array($document['items'] ?? null) ? array_values($document['items']) : [];
        $front = [];
        for ($i = 0; $i < 130; ++$i) {
            $items[] = [
                'id' => 'cover-'.$i, 'name' => 'cover '.$i, 'kind' => 'cover', 'place' => 0 === $i % 3 ? 'above' : 'below',
                'behind' => $i >= 87 ? ['cover-'.($i - 87)] : [], 'tray' => [['thing' => 'screws', 'count' => 4]],
                'off' => [1, 2, 3], 'on' => [1, 2, 3],
            ];
            $front[] = 'cover-'.$i;
        }
        foreach ($items as $i => $item) {
            if (is_array($item) && 'under-pan' === ($item['id'] ?? '')) {
                $items[$i] = ['behind' => [...$front, 'front-shield']] + $item;
            }
        }

        return VehicleSheet::read(Node::of(['items' => $items] + $document));
    }

    private static function cpu(): float
    {
        $usage = getrusage();
        $of = static fn (string $key): float => is_array($usage) && is_numeric($usage[$key] ?? null) ? (float) $usage[$key] : 0.0;

        return ($of('ru_utime.tv_sec') + $of('ru_stime.tv_sec')) * 1000 + ($of('ru_utime.tv_usec') + $of('ru_stime.tv_usec')) / 1000;
    }

    /** @param list<float> $values */
    private static function median(array $values): float
    {
        sort($values);

        return $values[intdiv(count($values), 2)] ?? 0.0;
    }
}
