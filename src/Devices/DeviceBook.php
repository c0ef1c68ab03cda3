<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices;

use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Symfony\Component\Uid\Ulid;

/** The devices of the workshop, and which of them is in hand where. */
final readonly class DeviceBook
{
    public function __construct(private EntityManagerInterface $em)
    {
    }

    /**
     * @return array{DeviceRecord, string} the device, and its token, which is shown this once
     *
     * @throws InvalidInput when the name is taken or empty
     */
    public function add(string $name, DeviceKind $kind, bool $simulated = false): array
    {
        $name = trim($name);
        '' !== $name && mb_strlen($name) <= 120 || throw InvalidInput::in('name', 'Give the device a name of at most 120 characters.');
        null === $this->named($name) || throw InvalidInput::in('name', sprintf('There is a device “%s” already.', $name));
        $token = 'nk_'.bin2hex(random_bytes(24));
        $device = new DeviceRecord((string) new Ulid(), $name, $kind, self::hash($token), $simulated);
        $this->em->persist($device);
        $this->em->flush();

        return [$device, $token];
    }

    /** @return string the new token; the old one is void */
    public function renewToken(DeviceRecord $device): string
    {
        $token = 'nk_'.bin2hex(random_bytes(24));
        $device->tokenHash = self::hash($token);
        $this->em->flush();

        return $token;
    }

    public function remove(DeviceRecord $device): void
    {
        $this->em->remove($device);
        $this->em->flush();
    }

    /** @return list<DeviceRecord> */
    public function all(?DeviceKind $kind = null): array
    {
        return array_values(
            $this->em->getRepository(DeviceRecord::class)->findBy(null === $kind ? [] : ['kind' => $kind], ['name' => 'ASC']),
        );
    }

    public function get(string $id): ?DeviceRecord
    {
        return $this->em->find(DeviceRecord::class, $id);
    }

    public function named(string $name): ?DeviceRecord
    {
        return $this->em->getRepository(DeviceRecord::class)->findOneBy(['name' => $name]);
    }

    public function byToken(string $token): ?DeviceRecord
    {
        return '' === $token ? null : $this->em->getRepository(DeviceRecord::class)->findOneBy(['tokenHash' => self::hash($token)]);
    }

    /** One device serves one step, and a step has one device of a kind in hand. */
    public function take(DeviceRecord $device, string $fitId, string $step, string $by): void
    {
        foreach ($this->all($device->kind) as $other) {
            if ($other->isInHandAt($fitId, $step)) {
                $this->put($other);
            }
        }
        [$device->fitId, $device->step, $device->takenBy] = [$fitId, $step, $by];
        $this->em->flush();
    }

    public function put(DeviceRecord $device): void
    {
        [$device->fitId, $device->step, $device->takenBy] = ['', '', ''];
        $this->em->flush();
    }

    private static function hash(string $token): string
    {
        return hash('sha256', $token);
    }
}
