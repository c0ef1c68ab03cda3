<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Intake;

use NimbleKnuckle\App\Devices\DeviceBook;
use NimbleKnuckle\App\Devices\DeviceKind;
use NimbleKnuckle\App\Devices\DeviceRecord;
use NimbleKnuckle\App\Devices\ReadingDocument;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The door for devices: they carry a token of their own instead of a session. docs/formats.md tells the format. */
final readonly class ReadingsApiController
{
    public function __construct(private DeviceBook $devices, private ReadingBook $readings, private FitBook $fits)
    {
    }

    #[Route('/api/readings', name: 'api_readings', defaults: ['_by_token' => true], methods: ['POST'])]
    public function receive(Request $request): JsonResponse
    {
        $device = $this->device($request);
        if (null === $device) {
            return self::unknown();
        }
        try {
            $reading = $this->readings->receive($device, ReadingDocument::read($request->getContent()));
        } catch (InvalidInput $e) {
            return new JsonResponse(
                ['error' => ['field' => $e->field, 'message' => $e->getMessage()]], Response::HTTP_UNPROCESSABLE_ENTITY,
            );
        }

        return new JsonResponse(
            [
                'id' => $reading->id, 'kept' => count($reading->samples), 'done' => $reading->done, 'verdict' => $reading->verdict,
                'finding' => $reading->finding, 'said' => $reading->said, 'marked' => $reading->marked,
            ],
        );
    }

    /** What the device is in hand for, so that it can show the figure. */
    #[Route('/api/devices/me', name: 'api_device', defaults: ['_by_token' => true], methods: ['GET'])]
    public function me(Request $request): JsonResponse
    {
        $device = $this->device($request);
        if (null === $device) {
            return self::unknown();
        }
        $told = ['name' => $device->name, 'kind' => $device->kind->value, 'in_hand' => null];
        if ('' !== $device->fitId) {
            try {
                $record = $this->fits->get($device->fitId);
                $told['in_hand'] = ['fit' => $device->fitId, 'step' => $device->step, 'by' => $device->takenBy];
                if (DeviceKind::Wrench === $device->kind) {
                    $task = $this->readings->wrenchTask($record, $device->step);
                    $told['in_hand'] += [
                        'joint' => $task->joint->id, 'bolt' => $task->bolt, 'torque' => $task->spec->torque,
                        'angle' => $task->spec->angle, 'from' => $task->spec->from, 'said' => $task->inWords(),
                        'thread' => $task->mechanics->bolt->thread->name,
                    ];
                }
            } catch (InvalidInput $e) {
                $told['waiting'] = $e->getMessage();
            }
        }

        return new JsonResponse($told);
    }

    private function device(Request $request): ?DeviceRecord
    {
        $header = (string) $request->headers->get('Authorization');

        return 1 === preg_match('/\ABearer (nk_[0-9a-f]{48})\z/', $header, $m) ? $this->devices->byToken($m[1]) : null;
    }

    private static function unknown(): JsonResponse
    {
        return new JsonResponse(
            ['error' => [
                'field' => 'token',
                'message' => 'No device has this token: send it as “Authorization: Bearer …”, or make a new one on the kit page.',
            ]],
            Response::HTTP_UNAUTHORIZED, ['WWW-Authenticate' => 'Bearer'],
        );
    }
}
