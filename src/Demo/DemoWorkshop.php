<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Demo;

use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\App\Accounts\AccountBook;
use NimbleKnuckle\App\Accounts\DemoPassword;
use NimbleKnuckle\App\Accounts\Role;
use NimbleKnuckle\App\Devices\DeviceBook;
use NimbleKnuckle\App\Devices\DeviceKind;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Kit\ToolRecord;
use NimbleKnuckle\App\Workshop\WorkshopBook;
use NimbleKnuckle\App\Workshop\WorkshopRecord;
use NimbleKnuckle\Core\Document\Node;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Uid\Ulid;
use Symfony\Component\Yaml\Yaml;

/** The demo workshop itself, out of the files in demo/: its people, kit, devices and vehicles. */
final readonly class DemoWorkshop
{
    public function __construct(
        #[Autowire(param: 'app.demo_dir')] private string $demoDir,
        private EntityManagerInterface $em,
        private AccountBook $accounts,
        private DeviceBook $devices,
        private Garage $garage,
        private ClockInterface $clock,
        private WorkshopBook $workshop,
    ) {
    }

    public function isLoaded(): bool
    {
        return null !== $this->accounts->named('ines');
    }

    /** @throws \DomainException where somebody real has an account */
    public function ensureNobodyReal(): void
    {
        $this->accounts->hasReal() && throw new \DomainException(
            'This database belongs to a real workshop: the demo is loaded into one of its own. Set APP_DATA to another folder.',
        );
    }

    /** @return array<string, string> role => name */
    public function load(): array
    {
        $workshop = Node::of(Yaml::parseFile($this->demoDir.'/workshop.yaml'));
        $this->workshop->keep(new WorkshopRecord($workshop->string('name')));
        $names = [];
        foreach ($workshop->nodes('people') as $person) {
            $names[$person->string('role')] = $this->accounts->create(
                $person->string('login'), $person->string('name'), $person->enum('role', Role::class), DemoPassword::VALUE, true,
            )->name;
        }
        $this->loadKit($workshop);
        foreach ($workshop->nodes('devices') as $device) {
            $this->devices->add($device->string('name'), $device->enum('kind', DeviceKind::class), $device->bool('simulated'));
        }
        foreach (glob($this->demoDir.'/vehicles/*.yaml') ?: [] as $file) {
            $this->garage->keep(Node::of(Yaml::parseFile($file))->raw());
        }

        return $names;
    }

    private function loadKit(Node $workshop): void
    {
        foreach ($workshop->nodes('kit') as $tool) {
            $days = $tool->int('calibrated_days_ago', -1);
            $this->em->persist(new ToolRecord(
                (string) new Ulid(), $tool->string('name'), $tool->string('kind'), $tool->string('drive', ''),
                $tool->float('min', 0.0), $tool->float('max', 0.0),
                $tool->float('error', 0.0), $tool->float('lever', 0.0),
                $days < 0 ? null : $this->clock->now()->sub(new \DateInterval(sprintf('P%dD', $days))),
            ));
        }
        $this->em->flush();
    }
}
