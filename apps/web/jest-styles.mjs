export default new Proxy({}, { get: (_target, name) => name });
